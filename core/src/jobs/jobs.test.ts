import fc from 'fast-check';
import { jobForCause, jobOf, jobsFor, MOST_EIGHTHS, nextSize, VIOLIN_BY_ARM, workUnderWay, type WorkStep } from '.';
import { JOBS, PICTURES } from '../guided';
import {
  FAMILIES,
  isLookedAt,
  isMeasured,
  LOOK_DATA,
  LOOKS,
  recordOf,
  usualFacts,
  type InstrumentFacts,
} from '../instruments';
import type { Measure } from '../log';
import { CAUSES, type CauseId } from '../triage';
import { scribe } from '../testing/events';
import { anyFacts, anyLog, NOW, situation } from '../testing/situations';

const DAY = 86_400_000;
const { event } = scribe();
const at = (daysAgo: number) => NOW - daysAgo * DAY;
const composed = (
  facts: InstrumentFacts,
  id: (typeof JOBS)[number],
  events = [] as Parameters<typeof situation>[1],
  beganAt = at(1),
) => jobOf(id).compose({ ...situation(facts, events), beganAt });
const said = (steps: readonly WorkStep[]) =>
  steps.map(({ title, how, caution }) => [title, ...how, caution ?? ''].join(' ')).join(' ');

describe('every job', () => {
  test('is there once, for at least one family, and every family has at least seven', () => {
    for (const id of JOBS)
      expect(FAMILIES.some((family) => jobsFor(situation(usualFacts(family))).some((job) => job.id === id))).toBe(true);
    for (const family of FAMILIES) expect(jobsFor(situation(usualFacts(family))).length).toBeGreaterThanOrEqual(7);
  });

  test('of any instrument and any log has steps that are told apart, and asks only for what the instrument has', () => {
    fc.assert(
      fc.property(anyFacts, anyLog, (own, events) => {
        const assessment = situation(own, events);
        for (const job of jobsFor(assessment)) {
          const steps = job.compose({ ...assessment, beganAt: at(3) });
          expect(steps.length).toBeGreaterThan(2);
          expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
          for (const { picture, zone, figures = [], look, how, records } of steps) {
            expect(PICTURES).toContain(picture);
            expect(picture !== 'none' || zone !== undefined).toBe(true);
            if (zone) expect([...recordOf(own.family).zones, 'whole']).toContain(zone);
            for (const figure of figures) expect(isMeasured(figure, own.family)).toBe(true);
            if (look) expect(isLookedAt(look, own.family)).toBe(true);
            expect(how.length).toBeGreaterThan(0);
            if (records === 'rosined') expect(recordOf(own.family).bow).not.toBeNull();
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  test('never tells to glue, heat or force, to oil pegs, nor to take all strings off [handbook 11]', () => {
    for (const family of FAMILIES)
      for (const job of jobsFor(situation(usualFacts(family)))) {
        const text = said(composed(usualFacts(family), job.id));
        for (const [sentence] of text.matchAll(
          /[^.]*\b(?:glued?|hair dryer|heaters?|pliers|taken off|forced|oil)\b[^.]*/gi,
        ))
          expect(sentence).toMatch(/\b(no|not|never|away from|glue lets go|fretboard oil|is forced takes)\b/i);
      }
  });

  test('says what beginners and children do not do alone', () => {
    const child = { ...usualFacts('violin'), setUp: { ...usualFacts('violin').setUp, player: 'child' as const } };
    for (const id of ['arrival', 'broken-hair', 'fine-tuner', 'fallen'] as const)
      expect(said(composed(child, id))).toMatch(/teacher|adult|grown-up/i);
  });

  test('is found from the cause it mends, and from the look it answers', () => {
    const violin = situation(usualFacts('violin'));
    expect(jobForCause(violin, 'bridge-leans')?.id).toBe('bridge-upright');
    expect(jobForCause(violin, 'relief-gone')).toBeNull();
    expect(jobForCause(situation(usualFacts('guitar')), 'relief-gone')?.id).toBe('relief');
    // What a look leads to is there for every instrument that it is looked at on.
    for (const family of FAMILIES) {
      const own = jobsFor(situation(usualFacts(family))).map(({ id }) => id);
      for (const look of LOOKS.filter((each) => isLookedAt(each, family) && LOOK_DATA[each].job !== undefined))
        expect(own).toContain(LOOK_DATA[look].job);
    }
    const mended = new Set(JOBS.flatMap((id) => [...jobOf(id).mends]));
    for (const cause of mended) expect(CAUSES[cause as CauseId]).toBeDefined();
  });

  test('is taken up where it was left, and is over once it is ended', () => {
    const began = event('job-began', at(2), { job: 'wet' });
    const { log } = situation(usualFacts('cello'), [began]);
    expect(workUnderWay(log, 'wet')?.eventId).toBe(began.id);
    const ended = event('job-ended', at(1), { jobId: began.id, finished: true, note: '' });
    const after = situation(usualFacts('cello'), [began, ended]).log;
    expect(workUnderWay(after, 'wet')).toBeNull();
    expect(after.works[0]!.ended).toEqual({ at: at(1), finished: true, note: '' });
  });
});

describe('a new instrument from the post', () => {
  const ids = (facts: InstrumentFacts) => composed(facts, 'arrival').map(({ id }) => id);

  test('is looked over before anything is under tension, and the bridge goes up before the first tuning [handbook 10]', () => {
    const order = ids(usualFacts('violin'));
    const before = (a: string, b: string) => expect(order.indexOf(a)).toBeLessThan(order.indexOf(b));
    expect(order[0]).toBe('warm');
    before('warm', 'open');
    before('post', 'bridge-up');
    before('slack-from', 'bridge-up');
    before('bridge-up', 'strings-up');
    before('strings-up', 'tune');
    before('cake', 'rosin');
    before('measures', 'photos');
    expect(order.at(-1)).toBe('evening');
  });

  test('a guitar has neither bridge to set up nor bow; a harp no figures', () => {
    expect(ids(usualFacts('guitar', 'steel'))).not.toEqual(expect.arrayContaining(['bridge-up']));
    expect(ids(usualFacts('guitar', 'steel'))).not.toContain('rosin');
    expect(ids(usualFacts('harp', 'pedal'))).not.toContain('measures');
  });
});

describe('relief', () => {
  const read = (daysAgo: number, value: number) => event('measured', at(daysAgo), { figure: 'relief', value });
  const steel = usualFacts('guitar', 'steel');
  const turns = (readings: ReturnType<typeof read>[], facts = steel) =>
    composed(facts, 'relief', readings).filter(({ id }) => id.startsWith('turn-'));

  test('is eased an eighth at a time, a rest after each, until it is well, and no further', () => {
    expect(turns([])).toEqual([]);
    expect(turns([read(0.9, 0.25)])).toEqual([]);
    expect(turns([read(0.9, 0)]).map(({ title }) => title)).toEqual(['An eighth of a turn looser']);
    expect(turns([read(0.9, 0.7)]).map(({ title }) => title)).toEqual(['An eighth of a turn tighter']);
    expect(turns([read(0.9, 0.7), read(0.5, 0.3)])).toHaveLength(1);
    expect(turns([read(0.9, 0.7), read(0.5, 0.6)])).toHaveLength(2);
    const many = Array.from({ length: 9 }, (_, each) => read(0.9 - each / 20, 0.7));
    expect(turns(many)).toHaveLength(MOST_EIGHTHS);
    const rests = composed(steel, 'relief', [read(0.9, 0.7)]).filter(({ waitMin }) => waitMin);
    expect(rests).toHaveLength(1);
  });

  test('readings of before do not count, and a neck without a rod is not turned', () => {
    expect(turns([read(5, 0.7)])).toEqual([]);
    expect(turns([read(0.9, 0.7)], usualFacts('guitar', 'classical'))).toEqual([]);
    expect(said(composed(usualFacts('guitar', 'classical'), 'relief'))).toMatch(/technician/);
  });
});

describe('the next size', () => {
  const arm = (daysAgo: number, value: number): Measure => ({
    eventId: String(daysAgo),
    at: at(daysAgo),
    figure: 'arm-length',
    value,
    bowId: null,
  });
  const on = (size: string, readings: Measure[]) => nextSize({ family: 'violin', size }, readings);

  // handbook 10, in cm: 58.5 4/4, 56 3/4, 51 1/2, 46 1/4, 42 1/8, 38 1/16.
  test.each([
    [585, '4/4', null],
    [584, '3/4', '4/4'],
    [560, '3/4', '4/4'],
    [559, '1/2', '3/4'],
    [510, '1/2', '3/4'],
    [460, '1/4', '1/2'],
    [420, '1/8', '1/4'],
    [380, '1/16', '1/8'],
    [379, null, '1/16'],
  ])('an arm of %d mm plays %s, and %s comes next', (value, fits, next) => {
    expect(on('1/16', [arm(1, value)])).toMatchObject({ fits, next });
  });

  test('is told from the player’s own growth where that is on record, else from the usual, more widely', () => {
    // 24 mm in 365.25 days from 486: 510 is just reached; 560 is 50 mm away.
    const own = on('1/2', [arm(365.25, 486), arm(182.625, 498), arm(0, 510)])!;
    expect(own.measured).toBe(true);
    expect(own.perYearMm).toBeCloseTo(24, 6);
    expect((own.window!.middle - NOW) / DAY / 365.25).toBeCloseTo(50 / 24, 6);
    const guessed = on('1/2', [arm(0, 510)])!;
    expect(guessed.measured).toBe(false);
    expect((guessed.window!.middle - NOW) / DAY / 365.25).toBeCloseTo(2, 6);
    const width = ({ window, perYearMm }: typeof own) => ((window!.to - window!.from) / DAY) * perYearMm;
    expect(width(guessed)).toBeGreaterThan(width(own));
    // Two readings in one week are the tape’s, not growth.
    expect(on('1/2', [arm(7, 505), arm(0, 515)])!.measured).toBe(false);
    // A slip of the tape is no growth.
    expect(on('1/2', [arm(365, 515), arm(0, 510)])!.measured).toBe(false);
  });

  test('it is outgrown once the arm reaches a larger one than is played', () => {
    expect(on('1/2', [arm(1, 561)])).toMatchObject({ outgrown: true, fits: '3/4' });
    expect(on('3/4', [arm(1, 561)])!.outgrown).toBe(false);
    expect(on('4/4', [arm(1, 561)])!.outgrown).toBe(false);
    expect(nextSize({ family: 'cello', size: '1/2' }, [arm(1, 561)])).toBeNull();
    expect(on('1/2', [])).toBeNull();
  });

  test('a longer arm never comes later to the next size', () => {
    fc.assert(
      fc.property(fc.integer({ min: 381, max: 583 }), (value) => {
        const [shorter, longer] = [on('1/4', [arm(0, value)])!, on('1/4', [arm(0, value + 1)])!];
        if (shorter.next === longer.next) expect(longer.window!.middle).toBeLessThan(shorter.window!.middle);
        const { window } = shorter;
        expect(window!.from).toBeLessThanOrEqual(window!.middle);
        expect(window!.middle).toBeLessThanOrEqual(window!.to);
      }),
    );
    expect(VIOLIN_BY_ARM.map(([, least]) => least)).toEqual(
      [...VIOLIN_BY_ARM.map(([, least]) => least)].sort((a, b) => a - b),
    );
  });
});
