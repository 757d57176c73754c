import fc from 'fast-check';
import { openFindings, openLookOver } from '../inspection';
import { LOOKS, schoolsFor } from '../instruments';
import { foldLog, logEventSchema, LOOKERS } from '../log';
import { scribe } from '../testing/events';
import { anyFacts, NOW } from '../testing/situations';
import { DAY_MS } from '../time';
import { lookRound } from './round';
import { wholeLook, wholeLookBegun } from './whole';

test('a whole look-over said at once is one that was made: over, everything answered, what was open still open', () => {
  fc.assert(
    fc.property(anyFacts, fc.constantFrom(...LOOKERS), fc.subarray([...LOOKS]), (facts, by, open) => {
      const schools = schoolsFor(facts.family, {}, facts.schools);
      const { event } = scribe();
      const found = open.map((look) =>
        event('looked-at', NOW - DAY_MS, {
          ...{ look, verdict: 'act', overId: null, by, zone: null, point: null, figures: [], string: null, note: '' },
        }),
      );
      const begun = event('look-over-began', NOW, wholeLookBegun(by).payload);
      const entries = wholeLook({ facts, schools, by, open }, begun.id).map(({ type, payload }) =>
        event(type, NOW, payload),
      );
      const ended = event('look-over-ended', NOW, { overId: begun.id });
      for (const each of [begun, ...entries, ended]) expect(logEventSchema.parse(each)).toEqual(each);
      const log = foldLog([...found, begun, ...entries, ended], NOW, 'UTC');
      expect(openLookOver(log)).toBeNull();
      const over = log.lookOvers.at(-1)!;
      const round = lookRound({ facts, schools, by, open, extent: 'full', causes: [] }).map(({ look }) => look);
      const seen = log.findings.filter(({ overId }) => overId === begun.id).map(({ look }) => look);
      expect([...seen, ...over.skipped.map(({ look }) => look)].sort()).toEqual([...round].sort());
      expect(over.skipped.every(({ look }) => open.includes(look))).toBe(true);
      expect(
        openFindings(log, facts.stringCount)
          .map(({ look }) => look)
          .sort(),
      ).toEqual([...open].sort());
    }),
    { numRuns: 60 },
  );
});
