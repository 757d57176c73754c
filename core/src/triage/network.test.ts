import fc from 'fast-check';
import { beliefIn, MOST_PRESENT, type Network, type Seen } from './network';

/** Chances by going through every set of causes: slow, and plain. */
function enumerated({ priors, leaks, shown }: Network, { present, absent }: Seen) {
  let evidence = 0;
  const joint = priors.map(() => 0);
  for (let set = 0; set < 1 << priors.length; set++) {
    const holds = (cause: number) => (set & (1 << cause)) !== 0;
    const prior = priors.reduce((product, each, cause) => product * (holds(cause) ? each : 1 - each), 1);
    const quiet = (sign: number) =>
      [...shown[sign]!].reduce(
        (product, [cause, chance]) => product * (holds(cause) ? 1 - chance : 1),
        1 - leaks[sign]!,
      );
    const seen =
      present.reduce((product, sign) => product * (1 - quiet(sign)), 1) *
      absent.reduce((product, sign) => product * quiet(sign), 1);
    evidence += prior * seen;
    joint.forEach((_each, cause) => {
      if (holds(cause)) joint[cause]! += prior * seen;
    });
  }
  return { evidence, chances: joint.map((each) => each / evidence) };
}

const chance = fc.double({ min: 0.01, max: 0.95, noNaN: true });
const anyNetwork = fc
  .record({
    priors: fc.array(chance, { minLength: 2, maxLength: 7 }),
    leaks: fc.array(fc.double({ min: 0.001, max: 0.2, noNaN: true }), { minLength: 5, maxLength: 5 }),
    links: fc.array(fc.tuple(fc.nat(4), fc.nat(6), chance), { maxLength: 18 }),
    seen: fc.array(fc.constantFrom('present', 'absent', 'unknown'), { minLength: 5, maxLength: 5 }),
  })
  .map(({ priors, leaks, links, seen }) => {
    const shown = leaks.map(
      (_leak, sign) =>
        new Map(
          links.filter(([of, cause]) => of === sign && cause < priors.length).map(([, cause, by]) => [cause, by]),
        ),
    );
    const of = (which: string) => seen.flatMap((each, sign) => (each === which ? [sign] : []));
    return { network: { priors, leaks, shown } as Network, seen: { present: of('present'), absent: of('absent') } };
  });

test('is what going through every set of causes gives', () => {
  fc.assert(
    fc.property(anyNetwork, ({ network, seen }) => {
      const [quick, slow] = [beliefIn(network, seen), enumerated(network, seen)];
      expect(quick.evidence / slow.evidence).toBeCloseTo(1, 6);
      quick.chances.forEach((each, cause) => expect(each).toBeCloseTo(slow.chances[cause]!, 6));
    }),
  );
});

test('the order in which things are seen does not matter; of what nobody looked at nothing follows', () => {
  fc.assert(
    fc.property(anyNetwork, ({ network, seen }) => {
      const turned = { present: [...seen.present].reverse(), absent: [...seen.absent].reverse() };
      beliefIn(network, turned).chances.forEach((each, cause) =>
        expect(each).toBeCloseTo(beliefIn(network, seen).chances[cause]!, 6),
      );
      beliefIn(network, { present: [], absent: [] }).chances.forEach((each, cause) =>
        expect(each).toBeCloseTo(network.priors[cause]!, 12),
      );
    }),
  );
});

test('a sign that one cause alone shows never makes that cause less likely', () => {
  fc.assert(
    fc.property(anyNetwork, ({ network, seen }) => {
      const own = network.leaks.length;
      const shown = [...network.shown, new Map([[0, 0.6]])];
      const wider = { ...network, leaks: [...network.leaks, 0.02], shown };
      const before = beliefIn(wider, seen).chances[0]!;
      const after = beliefIn(wider, { ...seen, present: [...seen.present, own] }).chances[0]!;
      expect(after).toBeGreaterThanOrEqual(before - 1e-6);
      const missing = beliefIn(wider, { ...seen, absent: [...seen.absent, own] }).chances[0]!;
      expect(missing).toBeLessThanOrEqual(before + 1e-6);
    }),
  );
});

test('a textbook’s pair of causes: one explains the other away', () => {
  // Alarm by burglary or by earthquake alone, common practice of textbooks: with the earthquake known the burglary is as rare as before.
  const network: Network = {
    priors: [0.01, 0.02],
    leaks: [0.001, 0],
    shown: [
      new Map([
        [0, 0.95],
        [1, 0.3],
      ]),
      new Map([[1, 0.99]]),
    ],
  };
  const alarm = beliefIn(network, { present: [0], absent: [] }).chances[0]!;
  const explained = beliefIn(network, { present: [0, 1], absent: [] }).chances[0]!;
  expect(alarm).toBeGreaterThan(0.5);
  expect(explained).toBeLessThan(0.05);
  expect(explained).toBeGreaterThan(0.01);
});

test('more signs than can be weighed are refused, not guessed at', () => {
  const many = MOST_PRESENT + 1;
  const network = {
    priors: [0.1],
    leaks: Array<number>(many).fill(0.1),
    shown: Array.from({ length: many }, () => new Map<number, number>()),
  };
  expect(() => beliefIn(network, { present: Array.from({ length: many }, (_, at) => at), absent: [] })).toThrow(
    RangeError,
  );
});
