import type { Person } from '@tembrin/contract';
import { personAt, sayable } from './persons';

const person = (id: string, role: Person['role'], more: Partial<Person> = {}): Person => ({
  id,
  name: id,
  role,
  plays: [],
  looksAfter: [],
  account: false,
  me: false,
  goneAt: null,
  version: 1,
  ...more,
});
const me = person('me', 'keeper', { me: true });
const wren = person('wren', 'player', { plays: ['heron'] });
const gone = person('gone', 'player', { goneAt: '2026-01-01T00:00:00.000Z' });

test('it is whom the stand was told, else who is signed in; nobody who is gone', () => {
  const household = { people: [me, wren, gone] };
  expect(personAt(household, 'wren')?.id).toBe('wren');
  expect(personAt(household, null)?.id).toBe('me');
  expect(personAt(household, 'gone')?.id).toBe('me');
  expect(personAt({ people: [] }, 'wren')).toBeNull();
});

test('a player says it of themselves, a helper of whose instrument they look after', () => {
  const people = [person('pip', 'player', { me: true }), wren];
  expect(sayable({ people }).map(({ id }) => id)).toEqual(['pip']);
  const teacher = person('ines', 'helper', { me: true, looksAfter: ['heron'] });
  expect(sayable({ people: [teacher, wren, person('other', 'player')] }).map(({ id }) => id)).toEqual(['ines', 'wren']);
});

test('in a demo library, where nobody is signed in, it is said of anybody, and of nobody before that', () => {
  const people = [person('maris', 'keeper'), wren];
  expect(sayable({ people })).toHaveLength(2);
  expect(personAt({ people }, null)).toBeNull();
});
