import { hourly } from '../testing/hours';
import { HOUR_MS } from '../time';
import { airAround, airOfStays, staysOf } from './stays';

describe('where an instrument was', () => {
  const places = [
    { id: 'front', kind: 'room' as const, roomId: null },
    { id: 'back', kind: 'room' as const, roomId: null },
    { id: 'case', kind: 'case' as const, roomId: 'front' },
    { id: 'lost', kind: 'case' as const, roomId: null },
  ];
  const stay = (placeId: string | null, cased: boolean, measured: string[]) =>
    staysOf([{ at: 10, placeId, cased }], places, (id) => measured.includes(id), 100)[0]!;

  it.each([
    ['a room that is read, in the open', 'front', false, ['front'], { airOf: 'front', cased: false }],
    ['a room that is read, in its case', 'front', true, ['front'], { airOf: 'front', cased: true }],
    ['a case that is read: that air is the wood’s', 'case', true, ['front', 'case'], { airOf: 'case', cased: false }],
    [
      'a case in a room that is read: the case stands between',
      'case',
      false,
      ['front'],
      { airOf: 'front', cased: true },
    ],
    ['a case of which nobody said where it stands', 'lost', false, ['front'], { airOf: null, cased: true }],
    ['a case in a room that nobody reads either', 'case', false, ['back'], { airOf: null, cased: true }],
    ['a room nobody reads', 'back', false, ['front'], { airOf: null, cased: false }],
    ['away from home', null, true, ['front'], { placeId: null, airOf: null, cased: true }],
    ['a place that was removed since', 'gone', false, ['front'], { placeId: null, airOf: null, cased: false }],
  ] as const)('%s', (_, placeId, cased, measured, wanted) => {
    expect(stay(placeId, cased, [...measured])).toMatchObject(wanted);
  });

  it('the first stay reaches back to the beginning, each ends where the next begins, the last goes on', () => {
    const moves = [
      { at: 10, placeId: 'front', cased: false },
      { at: 40, placeId: 'back', cased: false },
      { at: 40, placeId: 'front', cased: true },
    ];
    const stays = staysOf(moves, places, () => true, 100);
    expect(stays.map(({ from, to, cased }) => [from, to, cased])).toEqual([
      [0, 40, false],
      [40, 100, true],
    ]);
    expect(staysOf(moves.slice(0, 2), places, () => true, 20).at(-1)).toMatchObject({ from: 40, to: 40 });
    expect(staysOf([], places, () => true, 100)).toEqual([]);
  });

  it('a reading from before it came counts from its coming, if it still holds', () => {
    const record = { days: [], hours: hourly(10, (hour) => hour / 10) };
    const cut = (from: number, to: number) =>
      airOfStays(
        [{ from: from * HOUR_MS, to: to * HOUR_MS, placeId: 'front', airOf: 'front', cased: false }],
        () => record,
      );
    const [air] = cut(4.5, 7);
    expect(air!.samples.map((each) => [each.at / HOUR_MS, each.rh])).toEqual([
      [4.5, 0.4],
      [5, 0.5],
      [6, 0.6],
    ]);
    expect(airAround(cut(4.5, 7))).toHaveLength(3);
    const [late] = cut(9 + 37, 60);
    expect(late!.samples).toEqual([]);
    expect(airOfStays([{ from: 0, to: 1, placeId: null, airOf: null, cased: true }], () => record)[0]).toMatchObject({
      samples: [],
      holdMs: 0,
    });
  });
});
