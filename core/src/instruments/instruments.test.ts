import { FIGURE_DATA, figuresOf, stringNames, usualFacts } from '.';

test('strings are named by their notes, a harp’s by number from the top', () => {
  expect(stringNames(usualFacts('cello'))).toEqual(['C', 'G', 'D', 'A']);
  expect(stringNames(usualFacts('guitar'))).toHaveLength(6);
  const harp = stringNames(usualFacts('harp', 'pedal'));
  expect([harp[0], harp.at(-1)]).toEqual(['47', '1']);
});

test('a set-up sheet has the figures its instrument has', () => {
  expect(figuresOf(usualFacts('cello'))).toEqual(['endpin-length', 'bow-turns', 'bow-gap']);
  expect(figuresOf(usualFacts('guitar'))).toEqual(['string-gauge', 'action', 'relief']);
  expect(figuresOf(usualFacts('harp'))).toEqual([]);
  const violin = usualFacts('violin');
  expect(figuresOf(violin)).toContain('rest-left');
  violin.setUp.shoulderRest = 'none';
  expect(figuresOf(violin)).toEqual(['bow-turns', 'bow-gap']);
});

test('a figure starts within its bounds', () => {
  for (const { least, most, start, step } of Object.values(FIGURE_DATA)) {
    expect(start).toBeGreaterThanOrEqual(least);
    expect(start).toBeLessThanOrEqual(most);
    expect(step).toBeGreaterThan(0);
  }
});
