import { cardNotStored } from './refusals';

test('a card that was not stored is named by its title, or by what it is, with what was to become of it', () => {
  const packet = { kind: 'spare' as const, facts: { title: 'Two light sets' } };
  expect(cardNotStored({ kind: 'add', cards: [packet] }, 'There are too many.')).toBe(
    'Not stored: “Two light sets”, new. There are too many.',
  );
  expect(cardNotStored({ kind: 'remove', card: { kind: 'price', facts: {} } }, 'Somebody changed it.')).toBe(
    'Not stored: a price, removed. Somebody changed it.',
  );
});
