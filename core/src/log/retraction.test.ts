import fc from 'fast-check';
import { liveEvents, takenBack, type LogEvent } from '.';
import { scribe } from '../testing/events';

const AT = '2026-05-01T18:00:00.000Z';
const ids = (events: readonly LogEvent[]) => events.map(({ id }) => id);

test('a retracted event is gone, and retracting the retraction brings it back', () => {
  const { event, retract } = scribe();
  const rosined = event('rosined', AT, {});
  const undo = retract(rosined.id, AT);
  const redo = retract(undo.id, AT);
  const again = retract(redo.id, AT);
  expect(ids(liveEvents([rosined, undo]))).toEqual([]);
  expect(ids(liveEvents([rosined, undo, redo]))).toEqual([rosined.id]);
  expect(ids(liveEvents([rosined, undo, redo, again]))).toEqual([]);
});

test('two retractions of one event need both to be undone', () => {
  const { event, retract } = scribe();
  const rosined = event('rosined', AT, {});
  const [one, two] = [retract(rosined.id, AT), retract(rosined.id, AT)];
  expect(liveEvents([rosined, one, two, retract(one.id, AT)])).toEqual([]);
  expect(ids(liveEvents([rosined, one, two, retract(one.id, AT), retract(two.id, AT)]))).toEqual([rosined.id]);
});

test('retractions in a circle, of themselves or of nothing, do nothing', () => {
  const { event, retract } = scribe();
  const rosined = event('rosined', AT, {});
  const [a, b, self] = [retract('x', AT), retract('x', AT), retract('x', AT)];
  a.payload.eventId = b.id;
  b.payload.eventId = a.id;
  self.payload.eventId = self.id;
  expect(ids(liveEvents([rosined, a, b, self, retract('nothing', AT)]))).toEqual([rosined.id]);
});

test('a chain of ten thousand retractions is followed to its end', () => {
  const { event, retract } = scribe();
  const log: LogEvent[] = [event('rosined', AT, {})];
  for (let at = 0; at < 10_001; at++) log.push(retract(log.at(-1)!.id, AT));
  expect(liveEvents(log)).toEqual([]);
  expect(liveEvents(log.slice(0, -1))).toHaveLength(1);
});

/** Logs in which retractions point anywhere: at events, at each other, at themselves, at nothing. */
const logs = fc
  .array(fc.record({ minute: fc.nat(500), target: fc.option(fc.nat(30)) }), { maxLength: 24 })
  .map((plan) => {
    const { event, retract } = scribe();
    const made: LogEvent[] = plan.map(({ minute, target }) => {
      const at = Date.parse(AT) + minute * 60_000;
      return target === null ? event('rosined', at, {}) : retract(String(target), at);
    });
    return made.map((each) =>
      each.type === 'retracted'
        ? { ...each, payload: { eventId: made[Number(each.payload.eventId)]?.id ?? 'nothing' } }
        : each,
    );
  });

const shuffled = (events: LogEvent[]) => fc.shuffledSubarray(events, { minLength: events.length });

test('what holds depends on the set of events, not on their order', () => {
  fc.assert(
    fc.property(
      logs.chain((log) => fc.tuple(fc.constant(log), shuffled(log))),
      ([log, other]) => expect(liveEvents(other)).toEqual(liveEvents(log)),
    ),
  );
});

test('events that arrive twice change nothing', () => {
  fc.assert(
    fc.property(
      logs.chain((log) => fc.tuple(fc.constant(log), fc.subarray(log))),
      ([log, repeated]) => expect(liveEvents([...repeated, ...log, ...repeated])).toEqual(liveEvents(log)),
    ),
  );
});

test('what was taken back can be told, with all that holds it down', () => {
  const { event, retract } = scribe();
  const [rosined, hair] = [event('rosined', AT, {}), event('hair-looked-over', AT, {})];
  const [one, two] = [retract(rosined.id, AT), retract(rosined.id, AT)];
  const other = { ...retract(hair.id, AT), recordedAt: '2026-05-02T18:00:00.000Z' };
  expect(takenBack([rosined, hair])).toEqual([]);
  expect(takenBack([rosined, hair, one, two, other])).toEqual([
    { event: hair, by: [other.id] },
    { event: rosined, by: [one.id, two.id] },
  ]);
  const back = [one, two].map(({ id }) => retract(id, AT));
  expect(takenBack([rosined, one, two, ...back])).toEqual([]);
  expect(takenBack([rosined, one, back[0]!])).toEqual([]);
});

test('the last retracted is told first, whenever it happened; what was retracted at one moment by id', () => {
  const { event, retract } = scribe();
  const [early, late, third] = [event('rosined', AT, {}), event('rosined', AT, {}), event('rosined', AT, {})];
  const on = (id: string, day: number) => ({ ...retract(id, AT), recordedAt: `2026-05-0${day}T18:00:00.000Z` });
  const order = (...retractions: LogEvent[]) =>
    takenBack([early, late, third, ...retractions]).map(({ event: { id } }) => id);
  expect(order(on(early.id, 3), on(late.id, 2), on(third.id, 4))).toEqual([third.id, early.id, late.id]);
  expect(order(on(late.id, 2), on(third.id, 4), on(early.id, 3))).toEqual([third.id, early.id, late.id]);
  // Its newest retraction counts, in whatever order they arrived.
  const [first, last] = [on(early.id, 2), on(early.id, 5)];
  expect(order(first, last, on(late.id, 3))).toEqual([early.id, late.id]);
  expect(order(last, first, on(late.id, 3))).toEqual([early.id, late.id]);
  expect(order(on(early.id, 2), on(third.id, 2), on(late.id, 2))).toEqual(
    [early.id, late.id, third.id].sort().reverse(),
  );
});

test('a retraction of nothing, of a retraction, or in a circle takes nothing back', () => {
  const { event, retract } = scribe();
  const rosined = event('rosined', AT, {});
  const undo = retract(rosined.id, AT);
  const [a, b] = [retract('x', AT), retract('x', AT)];
  a.payload.eventId = b.id;
  b.payload.eventId = a.id;
  expect(takenBack([rosined, retract('nothing', AT), a, b])).toEqual([]);
  expect(takenBack([rosined, undo, retract(undo.id, AT)])).toEqual([]);
});

test('what happened at one moment stands in order of its ids, what happened earlier before it', () => {
  const { event } = scribe();
  const made = ['c', 'a', 'b'].map((id) => ({ ...event('rosined', AT, {}), id }));
  const before = { ...event('rosined', '2026-04-30T18:00:00.000Z', {}), id: 'z' };
  expect(ids(liveEvents([...made, before]))).toEqual(['z', 'a', 'b', 'c']);
});
