import fc from 'fast-check';
import { CircularOrder, CLOSING_STEPS, inOrder, OPENING_STEPS, PACKING_STEPS, type StepData } from '.';
import { applies } from '../instruments';
import { anyFacts, anySchools } from '../testing/situations';

describe('the data', () => {
  const rounds: [string, readonly StepData<string>[]][] = [
    ['closing', CLOSING_STEPS],
    ['opening', OPENING_STEPS],
    ['packing', PACKING_STEPS],
  ];

  test.each(rounds)(
    'of the %s round: at most one wording of a step applies, and the order has no circle',
    (_, data) => {
      fc.assert(
        fc.property(anyFacts, anySchools, (facts, schools) => {
          const chosen = data.filter((step) => applies(step.for, facts, schools));
          expect(new Set(chosen.map(({ id }) => id)).size).toBe(chosen.length);
          expect(inOrder(chosen)).toHaveLength(chosen.length);
        }),
      );
    },
  );

  test.each(rounds)(
    'of the %s round: every step says what, how and why, and follows only steps there are',
    (_, data) => {
      const known = new Set(data.map(({ id }) => id));
      for (const { title, how, why, after = [] } of data) {
        expect([title, ...how, why].every((text) => text.length > 3)).toBe(true);
        expect(after.filter((id) => !known.has(id) && !CLOSING_STEPS.some((step) => step.id === id))).toEqual([]);
      }
    },
  );

  test('a circle in the order is found', () => {
    const [first, second] = CLOSING_STEPS;
    const circle = [
      { ...first!, id: 'a', after: ['b'] },
      { ...second!, id: 'b', after: ['a'] },
    ];
    expect(() => inOrder(circle)).toThrow(CircularOrder);
  });
});
