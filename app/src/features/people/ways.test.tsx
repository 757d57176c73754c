import { call } from '@/state/api';
import { useHousehold } from '@/state/household';
import { usePreferences } from '@/state/preferences';
import { useHere } from '@/state/here';
import { runHook } from '@/testing/hook';
import { anEvent, anInstrument, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { aPerson } from '@/testing/people';
import { waysWords } from '@/copy/screens/people/person';
import { lastMeasure } from '@tembrin/core/log';
import { useOpening } from '../now/use-opening';
import { changeWays, usePlayed, useSayable } from './use-ways';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/api', () => ({ ...jest.requireActual<object>('@/state/api'), call: jest.fn() }));
jest.mock('@/state/household', () => ({
  ...jest.requireActual<object>('@/state/household'),
  refreshHousehold: jest.fn(async () => undefined),
}));

const heron = anInstrument('Heron', 'violin');
const wren = aPerson('Wren', 'player', { plays: [heron.id], schools: { cloths: 'B' } });
const pip = aPerson('Pip', 'player', { plays: [heron.id], schools: { cloths: 'A', slack: 'B' }, hands: 'corrosive' });
const mother = aPerson('Maris', 'keeper', { me: true });
const people = [mother, wren, pip];
const hour = 3_600_000;
const measured = (by: string, back: number, value: number) => ({
  ...anEvent(heron, 'measured', TONIGHT - back * hour, { figure: 'rest-left', value }),
  by,
});
const played = (by: string, back: number, hours: number) => {
  const began = { ...anEvent(heron, 'session-began', TONIGHT - back * hour, {}), by };
  return [began, anEvent(heron, 'session-ended', TONIGHT - (back - hours) * hour, { sessionId: began.id })];
};
const open = (who: string | null, role: 'keeper' | 'player' = 'keeper', there = people) => {
  usePreferences.setState({ personId: who });
  const events = [
    measured(wren.id, 50, 30),
    measured(pip.id, 40, 40),
    ...played(wren.id, 30, 2),
    ...played(pip.id, 9, 1),
  ];
  openTestHousehold([heron], events, [], { people: there, role });
};

beforeEach(() => standAt(TONIGHT));
afterEach(() => {
  usePreferences.setState({ personId: null });
  jest.useRealTimers();
});

test.each([
  ['Wren', wren.id, 'B', 'A', 30],
  ['Pip', pip.id, 'A', 'B', 40],
])('at the stand %s has their own sides and their own fit', (_name, who, cloths, slack, rest) => {
  open(who);
  const { schools, log } = runHook(() => useHere(heron)).now;
  expect(schools).toMatchObject({ cloths, slack });
  expect(lastMeasure(log, 'rest-left')?.value).toBe(rest);
  const step = runHook(() => useOpening(heron)).now.steps.find(({ data }) => data.figure === 'rest-left');
  expect(step?.measure?.value).toBe(rest);
});

test('who plays it not has it as the household has', () => {
  open(null);
  const { schools, log } = runHook(() => useHere(heron)).now;
  // They differ on the cloths; on the bow only one of them said anything.
  expect(schools).toMatchObject({ cloths: 'A', slack: 'B' });
  expect(lastMeasure(log, 'rest-left')?.value).toBe(40);
});

test('what somebody played is told by who said it was them', () => {
  open(null);
  expect(runHook(() => usePlayed(wren)).now.map(({ text }) => text)).toEqual([
    'Heron: 120 min in the last three months.',
  ]);
  expect(runHook(() => usePlayed(mother)).now).toEqual([]);
});

test('a player says their own ways, a keeper everybody’s', async () => {
  open(null);
  expect(runHook(() => useSayable(pip)).now).toBe(true);
  open(null, 'player', [{ ...mother, me: false }, { ...wren, me: true }, pip]);
  expect(runHook(() => useSayable(wren)).now).toBe(true);
  expect(runHook(() => useSayable(pip)).now).toBe(false);
  await changeWays(wren, { hands: 'low' });
  const version = useHousehold.getState().household!.people[1]!.version;
  expect(call).toHaveBeenCalledWith('changeWays', { params: { id: wren.id }, version, body: { hands: 'low' } });
});

test('ways in a line', () => {
  expect(waysWords({})).toBe('As the household; nobody said of their hands.');
  expect(waysWords(pip)).toBe('Their own way in 2; they tarnish strings quickly.');
});
