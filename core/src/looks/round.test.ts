import fc from 'fast-check';
import { LOOK_GUIDES, guidesFor, lookRound, answersOf, mayLook, timeFor, tookMs, type LookQuestion } from '.';
import { CAUSES } from '../inspection';
import {
  FIGURE_DATA,
  isMeasured,
  LOOK_DATA,
  LOOKS,
  recordOf,
  schoolsFor,
  usualFacts,
  type InstrumentFacts,
} from '../instruments';
import { foldLog, LOOKERS } from '../log';
import { scribe } from '../testing/events';
import { anyFacts, anySchools, NOW, withSetUp } from '../testing/situations';
import { DAY_MS, MINUTE_MS } from '../time';

const ask = (facts: InstrumentFacts, more: Partial<LookQuestion> = {}): LookQuestion => ({
  facts,
  schools: schoolsFor(facts.family, {}, facts.schools),
  extent: 'full',
  by: 'player',
  causes: [],
  open: [],
  ...more,
});
const looks = (facts: InstrumentFacts, more?: Partial<LookQuestion>) =>
  lookRound(ask(facts, more)).map(({ look }) => look);

describe('the data', () => {
  test('of each look that an instrument has there is one wording, for any instrument and school', () => {
    fc.assert(
      fc.property(anyFacts, anySchools, (facts, schools) => {
        const chosen = guidesFor(facts, schools).map(({ look }) => look);
        expect(new Set(chosen).size).toBe(chosen.length);
        expect(chosen.length).toBeGreaterThanOrEqual(5);
      }),
    );
  });

  test('every look is told how, by signs that differ, with what to do', () => {
    expect(new Set(LOOK_GUIDES.map(({ look }) => look))).toEqual(new Set(LOOKS));
    for (const { asks, how, signs, do: todo } of LOOK_GUIDES) {
      expect(asks).toMatch(/\?$/);
      expect(how.every((text) => /[.?]$/.test(text))).toBe(true);
      expect(new Set(Object.values(signs)).size).toBe(3);
      expect([todo.watch, todo.act].every((text) => text.endsWith('.'))).toBe(true);
    }
  });

  test('lights a zone its plate has, and reads figures its family has', () => {
    for (const look of LOOKS) {
      const { for: whose, zone, figures = [] } = LOOK_DATA[look];
      for (const family of whose.families) {
        expect([look, family, recordOf(family).zones.includes(zone)]).toEqual([look, family, true]);
        for (const figure of figures) {
          expect([look, family, isMeasured(figure, family)]).toEqual([look, family, true]);
          expect(FIGURE_DATA[figure].step).toBeGreaterThan(0);
        }
      }
    }
  });
});

describe('a round', () => {
  test('goes in the order of the trade: outside, bridge, strings, pegs, tailpiece, post, board, chin rest, bow, case', () => {
    // Handbook 9, the order in which it is looked over.
    expect(looks(usualFacts('violin'))).toEqual([
      'outside',
      'seams',
      'bridge-lean',
      'bridge-place',
      'string-height',
      'strings',
      'grooves',
      'pegs',
      'fine-tuners',
      'tailpiece',
      'post',
      'neck',
      'chin-rest',
      'stick',
      'hair-band',
      'hair-count',
      'hair-length',
      'hair-clean',
      'case',
    ]);
  });

  test('is each instrument’s own', () => {
    expect(looks(usualFacts('guitar', 'steel'))).toEqual(
      expect.arrayContaining(['bridge-glued', 'relief', 'action', 'fret-ends', 'tuners']),
    );
    const electric = looks(usualFacts('guitar', 'electric'));
    expect(electric).not.toContain('bridge-glued');
    expect(electric).not.toContain('seams');
    expect(electric).toContain('relief');
    expect(looks(usualFacts('harp', 'pedal'))).toEqual([
      'outside',
      'soundboard',
      'strings',
      'harp-action',
      'harp-tuning',
    ]);
    expect(looks(usualFacts('cello'))).toContain('endpin');
    expect(looks(withSetUp('cello', { endpin: false }))).not.toContain('endpin');
    expect(looks(withSetUp('violin', { case: 'none' }))).not.toContain('case');
  });

  test('a full one takes about ten minutes, whatever the instrument', () => {
    // Handbook 9: ten minutes.
    fc.assert(
      fc.property(anyFacts, (facts) => {
        const { ms } = timeFor(lookRound(ask(facts)), { lookOvers: [] }, 'full');
        expect(ms).toBeGreaterThanOrEqual(5 * MINUTE_MS);
        expect(ms).toBeLessThanOrEqual(13 * MINUTE_MS);
      }),
    );
  });

  test('a child is never sent where harm can be done', () => {
    const forChild = looks(usualFacts('violin'), { by: 'child' });
    expect(forChild).toEqual(expect.arrayContaining(['bridge-lean', 'strings', 'hair-band']));
    for (const look of ['post', 'pegs', 'seams', 'grooves', 'tailpiece'] as const) expect(forChild).not.toContain(look);
    fc.assert(
      fc.property(anyFacts, fc.constantFrom(...LOOKERS), (facts, by) => {
        expect(lookRound(ask(facts, { by })).every(({ guide }) => mayLook(guide, by))).toBe(true);
      }),
    );
  });

  test('a quick one has three looks, and they answer to the reason there is', () => {
    const violin = usualFacts('violin');
    const quick = (...causes: LookQuestion['causes']) => looks(violin, { extent: 'quick', causes });
    expect(quick()).toHaveLength(3);
    expect(quick('strings')).toContain('bridge-lean');
    expect(quick('knock')).toEqual(expect.arrayContaining(['post', 'outside']));
    expect(quick('journey')).toContain('post');
    expect(looks(usualFacts('guitar', 'steel'), { extent: 'quick', causes: ['dry'] })).toEqual(
      expect.arrayContaining(['seams', 'fret-ends']),
    );
    expect(looks(violin, { extent: 'quick', open: ['hair-clean', 'pegs'] })).toEqual(expect.arrayContaining(['pegs']));
  });

  test('a quick one is part of the full one, in its order, for any reason', () => {
    fc.assert(
      fc.property(anyFacts, fc.subarray([...CAUSES]), fc.constantFrom(...LOOKERS), (facts, causes, by) => {
        const full = looks(facts, { by });
        const quick = looks(facts, { by, causes, extent: 'quick' });
        expect(quick).toHaveLength(Math.min(3, full.length));
        expect(full.filter((look) => quick.includes(look))).toEqual(quick);
      }),
    );
  });
});

describe('what a round cost', () => {
  const { event } = scribe();
  const over = (daysAgo: number, minutes: number, extent: 'quick' | 'full' = 'full') => {
    const began = event('look-over-began', NOW - daysAgo * DAY_MS, { extent, by: 'player' });
    return [began, event('look-over-ended', NOW - daysAgo * DAY_MS + minutes * MINUTE_MS, { overId: began.id })];
  };

  test('is what the last of its kind took; one that was left for another day tells nothing', () => {
    const log = foldLog([...over(40, 7), ...over(20, 300), ...over(10, 2, 'quick')], NOW, 'UTC');
    const steps = lookRound(ask(usualFacts('violin')));
    expect(timeFor(steps, log, 'full')).toEqual({ ms: 7 * MINUTE_MS, measured: true });
    expect(timeFor(steps, log, 'quick')).toEqual({ ms: 2 * MINUTE_MS, measured: true });
    expect(timeFor(steps, { lookOvers: [] }, 'full').measured).toBe(false);
    expect(log.lookOvers.map(tookMs)).toEqual([7 * MINUTE_MS, null, 2 * MINUTE_MS]);
  });

  test('its answers are read from the log, the latest of each', () => {
    const [began] = over(1, 5);
    const answer = (look: 'seams' | 'pegs', verdict: 'good' | 'act', minutes: number) =>
      event('looked-at', NOW - DAY_MS + minutes * MINUTE_MS, {
        look,
        verdict,
        overId: began!.id,
        by: 'player',
        zone: null,
        point: null,
        figures: [],
        string: null,
        note: '',
      });
    const skipped = event('look-skipped', NOW - DAY_MS + MINUTE_MS, { look: 'pegs', overId: began!.id });
    const log = foldLog([began!, skipped, answer('seams', 'act', 2), answer('seams', 'good', 3)], NOW, 'UTC');
    const answers = answersOf(log, log.lookOvers[0]!);
    expect(answers.get('pegs')).toEqual({ eventId: skipped.id, finding: null });
    expect(answers.get('seams')).toMatchObject({ finding: { verdict: 'good' } });
  });
});
