import fc from 'fast-check';
import { FIGURE_DATA } from '../instruments';
import { foldLog, logEventSchema, referredTo, refusalOf, type AdmissionContext, type LogEvent } from '.';
import { CLOCK_TOLERANCE_MS, HOUR_MS } from '../time';
import { scribe } from '../testing/events';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const { event, session, retract } = scribe();
const [began, ended] = session('2026-05-30T18:00:00.000Z', 1);

function context(
  events: readonly LogEvent[] = [began, ended],
  facts: Partial<AdmissionContext['facts']> = {},
): AdmissionContext {
  return {
    facts: { family: 'violin', since: '2026-01-01', stringCount: 4, ...facts },
    events,
    hasBow: () => true,
    hasPlace: () => true,
    has: (id) => events.some((each) => each.id === id),
    nowMs: NOW,
    timeZone: 'Europe/Lisbon',
  };
}
const code = (candidate: LogEvent, where = context()) => refusalOf(candidate, where)?.code ?? 'admitted';
const entered = (at: string, endedAt: string) => event('session-entered', at, { endedAt });

test('what can have happened is admitted', () => {
  expect(code(entered('2026-05-31T18:00:00.000Z', '2026-05-31T19:00:00.000Z'))).toBe('admitted');
  expect(code(event('session-began', NOW, {}))).toBe('admitted');
  expect(
    code(event('strings-fitted', '2025-03-01T12:00:00.000Z', { strings: [0, 3], reason: 'broke', known: true })),
  ).toBe('admitted');
  expect(code(retract(began.id, NOW))).toBe('admitted');
  // A device's clock may run a little ahead.
  expect(code(event('rosined', NOW + 60_000, {}))).toBe('admitted');
});

test('dates in the future, or before the household had the instrument, are refused', () => {
  expect(code(event('rosined', NOW + HOUR_MS, {}))).toBe('in-the-future');
  expect(code(entered('2026-06-01T11:00:00.000Z', '2026-06-01T13:00:00.000Z'))).toBe('in-the-future');
  expect(code(entered('2025-12-31T18:00:00.000Z', '2025-12-31T19:00:00.000Z'))).toBe('before-instrument');
  // Strings may have been on before it came.
  expect(
    code(event('strings-fitted', '2025-12-31T18:00:00.000Z', { strings: null, reason: 'on-record', known: true })),
  ).toBe('admitted');
  expect(code(entered('2025-12-31T18:00:00.000Z', '2025-12-31T19:00:00.000Z'), context([], { since: null }))).toBe(
    'admitted',
  );
});

test('a device’s clock may run ahead by its tolerance, not by more', () => {
  expect(code(event('rosined', NOW + CLOCK_TOLERANCE_MS, {}))).toBe('admitted');
  expect(code(event('rosined', NOW + CLOCK_TOLERANCE_MS + 1, {}))).toBe('in-the-future');
  const late = (endedAt: number) => entered('2026-06-01T11:00:00.000Z', new Date(endedAt).toISOString());
  expect(code(late(NOW + CLOCK_TOLERANCE_MS))).toBe('admitted');
  expect(code(late(NOW + CLOCK_TOLERANCE_MS + 1))).toBe('in-the-future');
});

describe('what was typed in has a time of its own', () => {
  const typed = entered('2026-05-30T18:30:00.000Z', '2026-05-30T19:30:00.000Z');
  const clock = event('session-began', '2026-05-30T18:45:00.000Z', {});

  test('it may not join a clock, whose times it is told', () => {
    expect(refusalOf(typed, context())).toEqual({
      code: 'overlap',
      beganAt: Date.parse('2026-05-30T18:00:00.000Z'),
      endedAt: Date.parse('2026-05-30T19:00:00.000Z'),
    });
    const running = context([began]);
    expect(refusalOf(typed, running)).toMatchObject({ code: 'overlap', endedAt: null });
  });

  test('nor another that was typed in; that one is named, though a clock ran in it, too', () => {
    const both = context([typed, clock, event('session-ended', '2026-05-30T19:15:00.000Z', { sessionId: clock.id })]);
    expect(refusalOf(entered('2026-05-30T19:20:00.000Z', '2026-05-30T20:00:00.000Z'), both)).toMatchObject({
      code: 'overlap',
      beganAt: Date.parse('2026-05-30T18:30:00.000Z'),
    });
  });

  test('a clock that ran on another device joins it: nothing that was measured is lost', () => {
    expect(code(clock, context([typed]))).toBe('admitted');
    const stop = event('session-ended', '2026-05-30T19:15:00.000Z', { sessionId: clock.id });
    expect(code(stop, context([typed, clock]))).toBe('admitted');
  });

  test('touching is not overlapping', () => {
    expect(code(entered('2026-05-30T19:00:00.000Z', '2026-05-30T20:00:00.000Z'))).toBe('admitted');
    expect(code(entered('2026-05-30T17:00:00.000Z', '2026-05-30T18:00:00.000Z'))).toBe('admitted');
  });
});

test('a step belongs to a session that is there, or to none', () => {
  const step = (sessionId: string | null) =>
    event('step-done', '2026-05-30T19:05:00.000Z', { step: 'case', sessionId });
  expect(code(step(began.id))).toBe('admitted');
  expect(code(step(null))).toBe('admitted');
  expect(refusalOf(step('00000000-0000-4000-8000-00000000dead'), context())).toEqual({ code: 'no-such-session' });
});

test('an entry is dated between 1900 and 2200', () => {
  const dated = (occurredAt: string) => logEventSchema.safeParse({ ...event('rosined', NOW, {}), occurredAt }).success;
  expect(dated('1900-01-01T00:00:00.000Z')).toBe(true);
  expect(dated('1899-12-31T23:59:59.999Z')).toBe(false);
  expect(dated('2199-12-31T23:59:59.999Z')).toBe(true);
  expect(dated('2200-01-01T00:00:00.000Z')).toBe(false);
});

test('a session of a day is admitted, one of a minute more is not', () => {
  const from = '2026-05-20T10:00:00.000Z';
  expect(code(entered(from, '2026-05-21T10:00:00.000Z'))).toBe('admitted');
  expect(code(entered(from, '2026-05-21T10:01:00.000Z'))).toBe('too-long');
  expect(code(entered(from, from))).toBe('admitted');
});

test('the first day since it is here counts whole', () => {
  // Midnight in Lisbon is midnight UTC in winter.
  const at = (instant: string) => code(event('session-entered', instant, { endedAt: '2026-01-01T01:00:00.000Z' }));
  expect(at('2026-01-01T00:00:00.000Z')).toBe('admitted');
  expect(at('2025-12-31T23:59:59.000Z')).toBe('before-instrument');
});

test('strings that are not there, sets of another size and changes nobody began are refused', () => {
  const plain = {
    core: 'steel',
    winding: 'plain',
    coated: false,
    gaugeMm: 0.26,
    densityGPerM: null,
    stated: null,
    end: null,
  } as const;
  const fitted = (strings: number[] | null, specs: (typeof plain | null)[]) =>
    event('strings-fitted', NOW, { strings, reason: 'worn', known: true, specs });
  expect(code(fitted([3], [plain]))).toBe('admitted');
  expect(code(fitted(null, [plain, plain, plain, null]))).toBe('admitted');
  expect(refusalOf(fitted(null, [plain, plain, plain]), context())).toEqual({
    code: 'set-does-not-fit',
    wanted: 4,
    given: 3,
  });
  expect(code(fitted([1, 2], [plain]))).toBe('set-does-not-fit');
  expect(code(event('change-began', NOW, { strings: [4], reason: 'worn', way: 'B' }))).toBe('no-such-string');
  expect(code(event('change-ended', NOW, { changeId: '00000000-0000-4000-8000-00000000aaaa', finished: true }))).toBe(
    'no-such-event',
  );
  expect(code(event('tuned', NOW, { string: 3, cents: -12 }))).toBe('admitted');
  expect(code(event('tuned', NOW, { string: 4, cents: -12 }))).toBe('no-such-string');
  expect(
    logEventSchema.safeParse({ ...event('tuned', NOW, { string: 0, cents: 0 }), payload: { string: 0, cents: 5000 } })
      .success,
  ).toBe(false);
});

test('a guided change is under way until it is ended', () => {
  const begun = event('change-began', '2026-05-31T10:00:00.000Z', { strings: [3], reason: 'broke', way: 'B' });
  const over = event('change-ended', '2026-05-31T11:00:00.000Z', { changeId: begun.id, finished: true });
  const changes = (events: LogEvent[]) =>
    foldLog(events, NOW, 'UTC').changes.map(({ eventId, endedAt }) => [eventId, endedAt]);
  expect(changes([begun])).toEqual([[begun.id, null]]);
  expect(changes([over, begun])).toEqual([[begun.id, Date.parse(over.occurredAt)]]);
  // Finishing can be taken back.
  expect(changes([begun, over, retract(over.id, NOW)])).toEqual([[begun.id, null]]);
});

test('sessions that end before they begin, last too long or overlap are refused', () => {
  expect(code(entered('2026-05-31T18:00:00.000Z', '2026-05-31T17:00:00.000Z'))).toBe('ends-before-start');
  expect(code(entered('2026-05-31T01:00:00.000Z', '2026-06-01T01:01:00.000Z'))).toBe('too-long');
  expect(code(entered('2026-05-30T18:30:00.000Z', '2026-05-30T20:00:00.000Z'))).toBe('overlap');
  expect(code(entered('2026-05-30T19:00:00.000Z', '2026-05-30T20:00:00.000Z'))).toBe('admitted');
  const gone = context([began, ended, retract(began.id, NOW)]);
  expect(code(entered('2026-05-30T18:30:00.000Z', '2026-05-30T20:00:00.000Z'), gone)).toBe('admitted');
});

test('a second device’s clock joins the session it overlaps, but not a clock forgotten long ago', () => {
  const [running, stopped] = session('2026-05-31T08:00:00.000Z', 1);
  expect(code(event('session-began', '2026-05-30T18:10:00.000Z', {}))).toBe('admitted');
  expect(code(event('session-began', '2026-05-31T09:00:00.000Z', {}), context([running]))).toBe('admitted');
  expect(code(event('session-began', '2026-05-31T12:00:00.000Z', {}), context([running]))).toBe('overlap');
  expect(code(event('session-began', '2026-05-31T12:00:00.000Z', {}), context([running, stopped]))).toBe('admitted');
});

test('clocks joined over more than a day are refused', () => {
  const one = session('2026-05-30T00:00:00.000Z', 23);
  const [second] = session('2026-05-30T22:00:00.000Z', 1);
  const end = event('session-ended', '2026-05-31T02:00:00.000Z', { sessionId: second.id });
  expect(code(end, context([...one, second]))).toBe('too-long');
});

test('a list that grows by what was admitted is judged as one that was given whole', () => {
  const log: LogEvent[] = [];
  const growing = context(log);
  const verdict = (candidate: LogEvent) => {
    const found = code(candidate, growing);
    expect(found).toBe(code(candidate, context([...log])));
    if (found === 'admitted') log.push(candidate);
    return found;
  };
  const [one, oneEnd] = session('2026-05-20T18:00:00.000Z', 1);
  const verdicts = [
    one,
    oneEnd,
    entered('2026-05-20T18:30:00.000Z', '2026-05-20T19:30:00.000Z'),
    entered('2026-05-20T19:00:00.000Z', '2026-05-20T19:30:00.000Z'),
    event('session-began', '2026-05-20T18:10:00.000Z', {}),
    entered('2026-05-20T19:10:00.000Z', '2026-05-20T19:20:00.000Z'),
  ].map(verdict);
  expect(verdicts).toEqual(['admitted', 'admitted', 'overlap', 'admitted', 'admitted', 'overlap']);
});

test('a correction is judged like a session, leaving out the one it corrects', () => {
  const correct = (sessionId: string, beganAt: string, endedAt: string) =>
    event('session-corrected', NOW, { sessionId, beganAt, endedAt });
  expect(code(correct(began.id, '2026-05-30T18:10:00.000Z', '2026-05-30T19:30:00.000Z'))).toBe('admitted');
  expect(code(correct(began.id, '2026-05-30T19:10:00.000Z', '2026-05-30T18:30:00.000Z'))).toBe('ends-before-start');
  expect(code(correct(ended.id, '2026-05-30T18:10:00.000Z', '2026-05-30T19:30:00.000Z'))).toBe('no-such-session');
});

test('taking back a retraction is refused where another session has been entered since', () => {
  const gone = retract(began.id, NOW);
  const instead = entered('2026-05-30T18:30:00.000Z', '2026-05-30T19:30:00.000Z');
  expect(code(retract(gone.id, NOW), context([began, ended, gone]))).toBe('admitted');
  expect(code(retract(gone.id, NOW), context([began, ended, gone, instead]))).toBe('overlap');
  const corrected = event('session-corrected', NOW, {
    sessionId: began.id,
    beganAt: '2026-05-30T10:00:00.000Z',
    endedAt: '2026-05-30T11:00:00.000Z',
  });
  expect(code(retract(corrected.id, NOW), context([began, ended, corrected, instead]))).toBe('overlap');
});

test('a log made only of what was admitted never holds two sessions at once, nor one longer than a day', () => {
  const DAYS = 4;
  const act = fc.record({
    kind: fc.constantFrom('began', 'ended', 'entered', 'corrected', 'retracted'),
    at: fc.integer({ min: 0, max: DAYS * 96 }),
    length: fc.integer({ min: -3, max: 110 }),
    target: fc.nat(30),
  });
  const quarter = 15 * 60_000;
  fc.assert(
    fc.property(fc.array(act, { maxLength: 40 }), (acts) => {
      const { event: make, retract: takeBack } = scribe();
      const log: LogEvent[] = [];
      const start = NOW - DAYS * 24 * HOUR_MS;
      for (const { kind, at, length, target } of acts) {
        const from = start + at * quarter;
        const to = new Date(from + length * quarter).toISOString();
        const id = log[target % Math.max(1, log.length)]?.id ?? '00000000-0000-4000-8000-00000000dead';
        const candidates: Record<typeof kind, () => LogEvent> = {
          began: () => make('session-began', from, {}),
          ended: () => make('session-ended', from, { sessionId: id }),
          entered: () => make('session-entered', from, { endedAt: to }),
          corrected: () =>
            make('session-corrected', NOW, { sessionId: id, beganAt: new Date(from).toISOString(), endedAt: to }),
          retracted: () => takeBack(id, NOW),
        };
        const candidate = candidates[kind]();
        if (refusalOf(candidate, context(log)) === null) log.push(candidate);
      }
      const { sessions } = foldLog(log, NOW, 'UTC');
      for (const [index, session] of sessions.entries()) {
        const next = sessions[index + 1];
        const end = session.endedAt ?? NOW;
        if (next) expect(end).toBeLessThanOrEqual(next.beganAt);
        if (session.endedAt !== null) expect(end - session.beganAt).toBeLessThanOrEqual(24 * HOUR_MS);
        expect(end).toBeGreaterThanOrEqual(session.beganAt);
      }
    }),
    { numRuns: 400 },
  );
});

test('ids that are not there, strings that are not there and bows that are not there are refused', () => {
  expect(code(event('session-ended', NOW, { sessionId: '00000000-0000-4000-8000-00000000abcd' }))).toBe(
    'no-such-session',
  );
  expect(code(retract('00000000-0000-4000-8000-00000000abcd', NOW))).toBe('no-such-event');
  expect(code(event('strings-fitted', NOW, { strings: [4], reason: 'worn', known: true }))).toBe('no-such-string');
  const guitar = context([], { family: 'guitar', stringCount: 6 });
  expect(code(event('rosined', NOW, {}), guitar)).toBe('no-bow');
  expect(code(event('step-done', NOW, { step: 'slacken', sessionId: null }), guitar)).toBe('no-bow');
  expect(code(event('step-done', NOW, { step: 'wipe-strings', sessionId: null }), guitar)).toBe('admitted');
});

test('a figure must be one the instrument has, and one that can have been measured', () => {
  const measured = (figure: 'rest-left' | 'endpin-length' | 'bow-turns', value: number) =>
    event('measured', NOW, { figure, value });
  expect(code(measured('rest-left', 34))).toBe('admitted');
  expect(code(measured('rest-left', 340))).toBe('out-of-range');
  expect(code(measured('endpin-length', 300))).toBe('no-such-figure');
  expect(code(measured('endpin-length', 300), context([], { family: 'cello' }))).toBe('admitted');
  expect(code(event('regulated', NOW, { known: true }))).toBe('no-action');
  expect(code(event('regulated', NOW, { known: true }), context([], { family: 'harp' }))).toBe('admitted');
});

test('the schema turns down what is not an event, in words', () => {
  const wrong = (change: object) => logEventSchema.safeParse({ ...event('rosined', NOW, {}), ...change });
  expect(wrong({}).success).toBe(true);
  expect(wrong({ type: 'danced' }).error?.issues[0]?.message).toMatch(/Unknown event type/);
  expect(wrong({ id: 'seven' }).error?.issues[0]?.message).toMatch(/UUID/);
  expect(wrong({ occurredAt: '2026-02-30T10:00:00.000Z' }).success).toBe(false);
  expect(wrong({ occurredAt: '2026-03-14' }).error?.issues[0]?.message).toMatch(/UTC/);
  expect(wrong({ extra: 1 }).success).toBe(false);
  expect(wrong({ payload: { passes: 4 } }).success).toBe(false);
});

test('an instrument moves to a place of the household, or away, and nowhere else', () => {
  const moved = (placeId: string | null) => event('moved', NOW, { placeId, cased: true });
  const strange = { ...context(), hasPlace: (id: string) => id === 'front' };
  expect([code(moved('front'), strange), code(moved(null), strange), code(moved('cellar'), strange)]).toEqual([
    'admitted',
    'admitted',
    'no-such-place',
  ]);
  expect(refusalOf(moved('cellar'), strange)).toMatchObject({ code: 'no-such-place' });
});

test('figures are admitted up to the ends of their range, both included', () => {
  const measured = (value: number) => event('measured', NOW, { figure: 'rest-left', value });
  const { least, most } = FIGURE_DATA['rest-left'];
  expect([least, most, least - 1, most + 1].map((value) => code(measured(value)))).toEqual([
    'admitted',
    'admitted',
    'out-of-range',
    'out-of-range',
  ]);
});

test('an event tells which earlier ones it is about', () => {
  expect(referredTo(ended)).toEqual([began.id]);
  expect(referredTo(retract(began.id, NOW))).toEqual([began.id]);
  expect(referredTo(event('step-done', NOW, { step: 'slacken', sessionId: began.id }))).toEqual([began.id]);
  expect(referredTo(event('step-done', NOW, { step: 'slacken', sessionId: null }))).toEqual([]);
  expect(referredTo(event('rosined', NOW, {}))).toEqual([]);
});

test('a log without entries has lists without entries', () => {
  const { steps, packings, drills, moves, weighings, fittings, changes, tunings } = foldLog([], NOW, 'UTC');
  expect([steps, packings, drills, moves, weighings, fittings, changes, tunings]).toEqual([
    [],
    [],
    [],
    [],
    [],
    [],
    [],
    [],
  ]);
});
