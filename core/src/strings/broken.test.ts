import { brokenVerdict, FRETTED_FRESH_DAYS, OLD_SET_WEAR, type BrokenCase } from './broken';

const others = (wear: number | null, daysOn: number | null) => [
  { wear: wear === null ? null : wear / 2, daysOn: daysOn === null ? null : daysOn / 2 },
  { wear, daysOn },
];
const base: BrokenCase = {
  family: 'violin',
  others: others(0.2, 60),
  settleDays: { one: 2, set: 8 },
  performanceInDays: null,
  spares: { one: true, set: true },
};
const verdict = (more: Partial<BrokenCase>) => brokenVerdict({ ...base, ...more });

describe('on a bowed instrument', () => {
  it('half through its life, the one; the most worn of the others decides', () => {
    expect(verdict({})).toEqual({
      answer: 'one',
      restAfter: false,
      unsettled: false,
      reasons: [
        { code: 'others-half', wear: 0.2 },
        { code: 'spare', what: 'one' },
      ],
    });
  });

  it('a fresh set is told by its days, until three weeks are over', () => {
    expect(verdict({ others: others(0.05, FRETTED_FRESH_DAYS) }).reasons[0]).toEqual({
      code: 'others-fresh',
      days: FRETTED_FRESH_DAYS,
    });
    expect(verdict({ others: others(0.05, FRETTED_FRESH_DAYS + 1) }).reasons[0]!.code).toBe('others-half');
  });

  it('from half its life on the whole set', () => {
    const { answer, reasons } = verdict({ others: others(OLD_SET_WEAR, 200) });
    expect(answer).toBe('set');
    expect(reasons).toEqual([
      { code: 'others-old', days: 200, wear: OLD_SET_WEAR },
      { code: 'spare', what: 'set' },
    ]);
    expect(verdict({ others: others(OLD_SET_WEAR - 0.01, 200) }).answer).toBe('one');
  });

  it('where nobody knows how old they are it says so, and takes the one', () => {
    expect(verdict({ others: others(null, null) })).toMatchObject({ answer: 'one' });
    expect(verdict({ others: others(null, null) }).reasons[0]).toEqual({ code: 'others-unknown' });
    expect(verdict({ others: others(null, 90) }).reasons[0]).toEqual({ code: 'others-half', wear: 0 });
  });
});

describe('elsewhere', () => {
  it('a guitar’s others have gone dull after three weeks', () => {
    const guitar = (days: number) => verdict({ family: 'guitar', others: others(0.1, days) });
    expect(guitar(FRETTED_FRESH_DAYS).answer).toBe('one');
    expect(guitar(FRETTED_FRESH_DAYS + 1)).toMatchObject({ answer: 'set' });
    expect(guitar(30).reasons[0]).toEqual({ code: 'fretted', days: 30 });
    expect(guitar(10).reasons[0]).toEqual({ code: 'others-fresh', days: 10 });
  });

  it('a harp’s strings are each for themselves, however old', () => {
    const harp = verdict({ family: 'harp', others: others(2, 4000) });
    expect(harp).toMatchObject({ answer: 'one', restAfter: false });
    expect(harp.reasons[0]).toEqual({ code: 'each-alone' });
  });
});

describe('before a performance', () => {
  const old = { others: others(0.9, 300) };

  it('an old set waits until it is over, if it would not settle in time', () => {
    const near = verdict({ ...old, performanceInDays: 7 });
    expect(near).toMatchObject({ answer: 'one', restAfter: true, unsettled: false });
    expect(near.reasons).toEqual([
      { code: 'others-old', days: 300, wear: 0.9 },
      { code: 'performance', days: 7, settleDays: 8 },
      { code: 'spare', what: 'one' },
    ]);
    expect(verdict({ ...old, performanceInDays: 8 })).toMatchObject({ answer: 'set', restAfter: false });
  });

  it('tonight counts, yesterday does not', () => {
    expect(verdict({ ...old, performanceInDays: 0 })).toMatchObject({ restAfter: true, unsettled: true });
    expect(verdict({ ...old, performanceInDays: -1 })).toMatchObject({ answer: 'set', unsettled: false });
  });

  it('even one string settles, for as long as it takes', () => {
    expect(verdict({ performanceInDays: 1 }).unsettled).toBe(true);
    expect(verdict({ performanceInDays: 2 }).unsettled).toBe(false);
    // The one is fitted at any rate: what it takes itself is told.
    expect(verdict({ performanceInDays: 5 }).reasons).toContainEqual({ code: 'performance', days: 5, settleDays: 2 });
    expect(verdict({ performanceInDays: 9 }).reasons.map(({ code }) => code)).not.toContain('performance');
  });
});

test('what lies in the cupboard is told of what goes on', () => {
  const spares = { one: false, set: true };
  expect(verdict({ spares }).reasons.at(-1)).toEqual({ code: 'no-spare', what: 'one' });
  expect(verdict({ spares, others: others(0.9, 300) }).reasons.at(-1)).toEqual({ code: 'spare', what: 'set' });
});
