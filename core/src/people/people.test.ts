import fc from 'fast-check';
import { instrumentsOf, isToldOf, leavesNoKeeper, mayRecordFor, withWhich, type Person } from './person';
import { DEEDS, mayDo, REACH, ROLES } from './roles';

const [HERON, EGRET, TEAL] = ['h', 'e', 't'];
const person = (id: string, role: Person['role'], plays: string[] = [], looksAfter: string[] = []): Person => ({
  id,
  name: id,
  role,
  plays,
  looksAfter,
});
const parent = person('parent', 'keeper');
const child = person('child', 'player', [HERON!]);
const teacher = person('teacher', 'helper', [TEAL!], [HERON!]);
const stranger = person('stranger', 'player', [EGRET!]);

const anybody = fc.record<Person>({
  id: fc.uuid(),
  name: fc.constant('Somebody'),
  role: fc.constantFrom(...ROLES),
  plays: fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 3 }),
  looksAfter: fc.array(fc.constantFrom('a', 'b', 'c', 'd'), { maxLength: 3 }),
});

describe('roles [handbook 13]', () => {
  test('a keeper does everything, with all instruments', () => {
    for (const deed of DEEDS) expect(withWhich(parent, deed)).toBeNull();
  });

  test('a player does with their own what players do, and keeps nothing of others', () => {
    expect(withWhich(child, 'record')).toEqual(new Set([HERON]));
    expect(mayDo('player', 'plan')).toBe(true);
    for (const deed of ['arrange', 'share', 'people'] as const) expect(mayDo('player', deed)).toBe(false);
  });

  test('a helper sees and records, and arranges nothing', () => {
    expect(withWhich(teacher, 'see')).toEqual(new Set([HERON, TEAL]));
    for (const deed of ['plan', 'arrange', 'share', 'people'] as const) expect(mayDo('helper', deed)).toBe(false);
  });

  test('nobody does more than they see, and no role more than a keeper', () => {
    const rank = { none: 0, own: 1, all: 2 };
    for (const role of ROLES)
      for (const deed of DEEDS) {
        expect(rank[REACH[role][deed]]).toBeLessThanOrEqual(rank[REACH.keeper[deed]]);
        if (deed !== 'measure') expect(rank[REACH[role][deed]]).toBeLessThanOrEqual(rank[REACH[role].see]);
      }
  });

  test('whatever somebody does with some instruments, it is with those they have to do with', () => {
    fc.assert(
      fc.property(anybody, fc.constantFrom(...DEEDS), (who, deed) => {
        const which = withWhich(who, deed);
        if (which === null) return REACH[who.role][deed] === 'all';
        return [...which].every((id) => instrumentsOf(who).has(id));
      }),
    );
  });
});

describe('who did it', () => {
  test('is oneself; a parent says it of a child, a teacher of a pupil, nobody of a stranger', () => {
    expect(mayRecordFor(child, child)).toBe(true);
    expect(mayRecordFor(parent, child)).toBe(true);
    expect(mayRecordFor(teacher, child)).toBe(true);
    expect(mayRecordFor(teacher, stranger)).toBe(false);
    expect(mayRecordFor(child, parent)).toBe(false);
    expect(mayRecordFor(child, stranger)).toBe(false);
  });

  test('is told of to those who share an instrument', () => {
    expect(isToldOf(child, teacher)).toBe(true);
    expect(isToldOf(child, stranger)).toBe(false);
    expect(isToldOf(parent, stranger)).toBe(true);
    // Who may say it of somebody is told of them.
    fc.assert(fc.property(anybody, anybody, (one, other) => !mayRecordFor(one, other) || isToldOf(one, other)));
  });
});

test('a household keeps a keeper', () => {
  expect(leavesNoKeeper([child, teacher])).toBe(true);
  expect(leavesNoKeeper([child, parent])).toBe(false);
  expect(leavesNoKeeper([])).toBe(true);
});
