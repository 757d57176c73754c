import { foldLog, refusalOf, stayNow, type AdmissionContext } from '.';
import { assess, inWorkshopUntil, staysAway } from '../assess';
import { schoolsFor, usualFacts } from '../instruments';
import { scribe } from '../testing/events';
import { NOW } from '../testing/situations';
import { DAY_MS, dayOfDate } from '../time';

const { event, session } = scribe();
const ROOM = '00000000-0000-4000-8000-00000000aaaa';
const at = (daysAgo: number) => NOW - daysAgo * DAY_MS;
const brought = (daysAgo: number, expected: string | null = null) =>
  event('brought-in', at(daysAgo), { visitId: null, expected });
const back = (stayId: string, daysAgo: number) => event('fetched-back', at(daysAgo), { stayId });

test('brought and fetched back it was at the workshop in between, and comes home to where it lived', () => {
  const home = event('moved', at(100), { placeId: ROOM, cased: false });
  const stay = brought(10);
  const log = foldLog([home, stay, back(stay.id, 4)], NOW, 'UTC');
  expect(log.stays).toMatchObject([{ at: at(10), backAt: at(4) }]);
  expect(log.moves.map(({ placeId, at: when }) => [placeId, when])).toEqual([
    [ROOM, at(100)],
    [null, at(10)],
    [ROOM, at(4)],
  ]);
  expect(stayNow(log)).toBeNull();
});

test('while it is there it is away; taken elsewhere meanwhile it stays where it was taken', () => {
  const home = event('moved', at(100), { placeId: ROOM, cased: true });
  const stay = brought(10);
  expect(stayNow(foldLog([home, stay], NOW, 'UTC'))).toMatchObject({ eventId: stay.id });
  const elsewhere = event('moved', at(6), { placeId: null, cased: false });
  const log = foldLog([home, stay, elsewhere, back(stay.id, 4)], NOW, 'UTC');
  expect(log.moves.map(({ placeId, cased }) => [placeId, cased])).toEqual([
    [ROOM, true],
    [null, true],
    [null, false],
  ]);
  // Nobody said where it lives: nobody says so now.
  expect(foldLog([stay, back(stay.id, 4)], NOW, 'UTC').moves).toEqual([]);
});

test('fetched back twice counts once; taken back, it is there again', () => {
  const stay = brought(10);
  const [first, second] = [back(stay.id, 5), back(stay.id, 2)];
  expect(foldLog([stay, first, second], NOW, 'UTC').stays).toMatchObject([{ backAt: at(5) }]);
  const taken = event('retracted', at(1), { eventId: first.id });
  expect(foldLog([stay, first, taken], NOW, 'UTC').stays).toMatchObject([{ backAt: null }]);
});

test('what comes back is something that was brought', () => {
  const facts = usualFacts('violin');
  const context = {
    facts,
    events: [],
    has: () => false,
    hasPlace: () => true,
    hasBow: () => true,
    nowMs: NOW,
    timeZone: 'UTC',
  };
  expect(refusalOf(back(ROOM, 1), context as AdmissionContext)).toEqual({ code: 'no-such-event' });
  expect(refusalOf(brought(1), context as AdmissionContext)).toBeNull();
});

test('it is looked for on the day that was said, tomorrow at the earliest; a week after it was brought where nobody said', () => {
  const until = (daysAgo: number, expected: string | null) =>
    inWorkshopUntil(foldLog([brought(daysAgo, expected)], NOW, 'UTC'));
  expect(until(2, '2026-06-09')).toBe(dayOfDate('2026-06-09'));
  expect(until(2, '2026-05-30')).toBe(dayOfDate('2026-06-02'));
  expect(until(2, null)).toBe(dayOfDate('2026-06-06'));
  expect(inWorkshopUntil(foldLog([], NOW, 'UTC'))).toBeNull();
});

test('days at the workshop are no days without playing: the pace learned stays what it was', () => {
  const facts = { ...usualFacts('violin') };
  const evenings = (from: number, to: number) =>
    Array.from({ length: from - to }, (_, day) => session(at(from - day) - 4 * 3_600_000, 1)).flat();
  const schools = schoolsFor('violin', {}, {});
  const paceOf = (events: Parameters<typeof foldLog>[0]) => {
    const log = foldLog(events, NOW, 'UTC');
    return assess(facts, log, { schools, observedFrom: at(120), away: staysAway(log) }).pace;
  };
  const stay = brought(20);
  const steady = paceOf(evenings(120, 0)).hoursOn[0]!;
  const played = [...evenings(120, 20), ...evenings(12, 0)];
  const known = paceOf([...played, stay, back(stay.id, 12)]).hoursOn[0]!;
  expect(Math.abs(known - steady)).toBeLessThan(0.05 * steady);
  // While it is there, nothing is expected of it until it is looked for.
  const away = paceOf([...evenings(120, 3), brought(3, '2026-06-20')]).away;
  expect(away).toEqual([{ from: at(3), to: Date.parse('2026-06-20T00:00:00.000Z') }]);
});
