import fc from 'fast-check';
import { DAY_MS, HOUR_MS, localDay, MINUTE_MS, offsetMs } from '../time';
import {
  ALERTS_A_DAY,
  decide,
  isQuiet,
  sentBy,
  stillTold,
  USUAL_TIMES,
  type NoticePreferences,
  type Sent,
} from './budget';
import { concernKey, NOTICE_DATA, NOTICE_KINDS, type Concern } from './kinds';

const ZONE = 'Europe/Lisbon';
const usual: NoticePreferences = { ...USUAL_TIMES, timeZone: ZONE };
/** A Wednesday at noon, UTC; Lisbon has the same clock in winter. */
const NOON = Date.parse('2026-12-02T12:00:00Z');
const concern = (kind: Concern['kind'], more: Partial<Concern> = {}): Concern => ({
  kind,
  about: 'heron',
  instrumentId: 'heron',
  worse: 1,
  untilMs: NOON + 10 * DAY_MS,
  ...more,
});

describe('what cannot wait', () => {
  test('is told at once by day, and when the quiet hours end by night [handbook 13]', () => {
    const air = [concern('air')];
    expect(decide(air, usual, [], NOON).alert).toEqual(air);
    const night = Date.parse('2026-12-02T03:00:00Z');
    const decision = decide(air, usual, [], night);
    expect([decision.alert, decision.digest]).toEqual([[], []]);
    expect(decision.nextMs).toBe(Date.parse('2026-12-02T08:00:00Z'));
    expect(decide(air, usual, [], decision.nextMs!).alert).toEqual(air);
  });

  test('is told once, and again only when it is worse by its step', () => {
    const first = decide([concern('air', { worse: 3 })], usual, [], NOON);
    const sent = sentBy(first, NOON);
    const later = NOON + DAY_MS;
    expect(decide([concern('air', { worse: 7.9 })], usual, sent, later).alert).toEqual([]);
    expect(decide([concern('air', { worse: 8 })], usual, sent, later).alert).toHaveLength(1);
    expect(
      decide([concern('dry', { worse: 99 })], usual, sentBy(decide([concern('dry')], usual, [], NOON), NOON), later)
        .alert,
    ).toEqual([]);
  });

  test('is not told once nothing can be done about it any more', () => {
    expect(decide([concern('strings', { untilMs: NOON })], usual, [], NOON)).toEqual({
      alert: [],
      digest: [],
      nextMs: null,
    });
  });

  test('comes together, and no more than so often a day; the rest with the next digest, or tomorrow', () => {
    const both = [concern('air'), concern('tight')];
    expect(decide(both, usual, [], NOON).alert).toEqual(both);
    const sent: Sent[] = [];
    let told = 0;
    for (let hour = 0; hour < 8; hour++) {
      const now = NOON + hour * HOUR_MS;
      const decision = decide([concern('air', { about: `instrument ${hour}` })], usual, sent, now);
      told += decision.alert.length;
      sent.push(...sentBy(decision, now));
      if (told === ALERTS_A_DAY && decision.alert.length === 0)
        expect(decision.nextMs).toBe(Date.parse('2026-12-03T00:00:00Z'));
    }
    expect(told).toBe(ALERTS_A_DAY);
  });
});

describe('everything else', () => {
  const due = [concern('due', { worse: 0.5 })];
  const saturday = Date.parse('2026-12-05T09:00:00Z');

  test('waits for the digest, on the day and at the hour that were chosen', () => {
    const decision = decide(due, usual, [], NOON);
    expect([decision.alert, decision.digest, decision.nextMs]).toEqual([[], [], saturday]);
    expect(decide(due, usual, [], saturday).digest).toEqual(due);
    expect(decide(due, usual, sentBy({ alert: [], digest: due }, saturday), saturday + HOUR_MS).digest).toEqual([]);
  });

  test('a digest of nothing is not sent', () => {
    expect(decide([], usual, [], saturday)).toEqual({ alert: [], digest: [], nextMs: null });
  });

  test('by the clock where the person is, through the change of the clocks', () => {
    const there: NoticePreferences = {
      ...usual,
      timeZone: 'America/New_York',
      digest: { atMin: 9 * 60, weekdays: [6] },
    };
    // Clocks go forward on Sunday 8 March 2026 (Energy Policy Act of 2005).
    const before = Date.parse('2026-03-07T12:00:00Z');
    const far = [concern('due', { untilMs: Date.parse('2027-01-01T00:00:00Z') })];
    expect(decide(far, there, [], before).nextMs).toBe(Date.parse('2026-03-08T13:00:00Z'));
  });

  test('without a digest it is not told', () => {
    expect(decide(due, { ...usual, digest: null }, [], saturday)).toEqual({ alert: [], digest: [], nextMs: null });
  });
});

test('switched off and muted', () => {
  const air = concern('air');
  expect(decide([air], { ...usual, off: ['air'] }, [], NOON).alert).toEqual([]);
  expect(decide([air], { ...usual, muted: ['heron'] }, [], NOON).alert).toEqual([]);
});

test('put off, it is told again then, as it is by then; done, it is not until it is over', () => {
  const air = concern('air', { worse: 3, untilMs: NOON + 60 * DAY_MS });
  const until = NOON + DAY_MS;
  const [sent] = sentBy(decide([air], usual, [], NOON), NOON);
  const putOff = [{ ...sent!, againMs: until }];
  expect(decide([{ ...air, worse: 20 }], usual, putOff, NOON + HOUR_MS)).toEqual({
    alert: [],
    digest: [],
    nextMs: until,
  });
  const again = decide([air], usual, putOff, until);
  expect(again.alert).toEqual([air]);
  // Once: what it was told the second time counts from then on.
  expect(decide([air], usual, [...putOff, ...sentBy(again, until)], until + DAY_MS).alert).toEqual([]);
  const done = [{ ...sent!, done: true }];
  expect(decide([{ ...air, worse: 20 }], usual, done, until).alert).toEqual([]);
  const over = NOON + 8 * DAY_MS;
  expect(decide([air], usual, stillTold(done, [], over), over).alert).toEqual([air]);
});

test('quiet hours over midnight, by day, and none', () => {
  const at = (time: string) => Date.parse(`2026-12-02T${time}:00Z`);
  const quiet = (fromMin: number, toMin: number) => ({ ...usual, quiet: { fromMin, toMin } });
  const nights = quiet(21 * 60, 8 * 60);
  expect(['20:59', '21:00', '03:00', '07:59', '08:00'].map((time) => isQuiet(nights, at(time)))).toEqual([
    false,
    true,
    true,
    true,
    false,
  ]);
  const lessons = quiet(14 * 60, 16 * 60);
  expect(['13:59', '14:00', '15:59', '16:00'].map((time) => isQuiet(lessons, at(time)))).toEqual([
    false,
    true,
    true,
    false,
  ]);
  expect(isQuiet(quiet(0, 0), at('03:00'))).toBe(false);
});

describe('whatever there is to tell', () => {
  const minute = fc.integer({ min: 0, max: 24 * 60 - 1 });
  const preferences = fc.record<NoticePreferences>({
    timeZone: fc.constantFrom('Europe/Lisbon', 'America/New_York', 'Asia/Kolkata', 'Pacific/Auckland'),
    quiet: fc.record({ fromMin: minute, toMin: minute }),
    digest: fc.option(
      fc.record({ atMin: minute, weekdays: fc.uniqueArray(fc.integer({ min: 0, max: 6 }), { maxLength: 7 }) }),
    ),
    off: fc.uniqueArray(fc.constantFrom(...NOTICE_KINDS), { maxLength: 2 }),
    muted: fc.constantFrom<readonly string[]>([], ['heron']),
  });
  const START = Date.parse('2026-03-20T00:00:00Z');
  const happening = fc.record({
    kind: fc.constantFrom(...NOTICE_KINDS),
    about: fc.constantFrom('heron', 'wren', 'curlew'),
    fromH: fc.integer({ min: 0, max: 300 }),
    lastsH: fc.integer({ min: 1, max: 300 }),
    worse: fc.double({ min: 0, max: 20, noNaN: true }),
    grows: fc.double({ min: 0, max: 0.2, noNaN: true }),
  });

  /** Two weeks, looked at every hour and whenever something waits, as it would be sent. */
  function live(
    wants: NoticePreferences,
    happenings: readonly (typeof happening extends fc.Arbitrary<infer T> ? T : never)[],
  ) {
    const messages: { atMs: number; concerns: readonly Concern[]; digest: boolean }[] = [];
    const sent: Sent[] = [];
    for (let now = START; now < START + 14 * DAY_MS; now += HOUR_MS) {
      const hour = (now - START) / HOUR_MS;
      const concerns = happenings
        .filter(({ fromH, lastsH }) => hour >= fromH && hour < fromH + lastsH)
        .map(({ kind, about, fromH, lastsH, worse, grows }) => ({
          kind,
          about,
          instrumentId: about,
          worse: worse + grows * (hour - fromH),
          untilMs: START + (fromH + lastsH) * HOUR_MS,
        }));
      const decision = decide(concerns, wants, sent, now);
      if (decision.nextMs !== null && decision.nextMs <= now) throw new Error('what waits is for later');
      for (const [list, digest] of [
        [decision.alert, false],
        [decision.digest, true],
      ] as const)
        if (list.length > 0) messages.push({ atMs: now, concerns: list, digest });
      sent.push(...sentBy(decision, now));
    }
    return messages;
  }

  test('nothing at a quiet hour, one digest a day at most, nothing twice that is not worse, nothing too late, nothing unwanted', () => {
    fc.assert(
      fc.property(preferences, fc.array(happening, { maxLength: 8 }), (wants, happenings) => {
        const messages = live(wants, happenings);
        const told = new Map<string, number>();
        const days = new Map<string, number>();
        for (const { atMs, concerns, digest } of messages) {
          expect(isQuiet(wants, atMs)).toBe(false);
          const day = `${localDay(atMs, wants.timeZone)} ${digest}`;
          days.set(day, (days.get(day) ?? 0) + 1);
          expect(days.get(day)).toBeLessThanOrEqual(digest ? 1 : ALERTS_A_DAY);
          if (digest) {
            const clock = ((atMs + offsetMs(atMs, wants.timeZone)) % DAY_MS) / MINUTE_MS;
            expect(clock).toBeGreaterThanOrEqual(wants.digest!.atMin);
          }
          for (const each of concerns) {
            expect(each.untilMs).toBeGreaterThan(atMs);
            expect(wants.off).not.toContain(each.kind);
            expect(wants.muted).not.toContain(each.instrumentId);
            const { step } = NOTICE_DATA[each.kind];
            const before = told.get(concernKey(each));
            if (before !== undefined) expect(step).not.toBeNull();
            if (before !== undefined && step !== null) expect(each.worse).toBeGreaterThanOrEqual(before + step);
            told.set(concernKey(each), Math.max(each.worse, before ?? -Infinity));
          }
        }
      }),
      { numRuns: 60 },
    );
  });

  test('what cannot wait, is wanted and lasts into an hour that is not quiet is told, unless two others were that day', () => {
    fc.assert(
      fc.property(preferences, happening, (wants, what) => {
        if (!NOTICE_DATA[what.kind].alert || wants.off.includes(what.kind) || wants.muted.includes(what.about)) return;
        const loud = Array.from({ length: what.lastsH }, (_, hour) => START + (what.fromH + hour) * HOUR_MS).some(
          (at) => at < START + 14 * DAY_MS && !isQuiet(wants, at),
        );
        expect(live(wants, [what]).length > 0).toBe(loud);
      }),
      { numRuns: 60 },
    );
  });
});
