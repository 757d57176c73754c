import { readdirSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, 'screens');
const files = readdirSync(ROOT, { recursive: true, encoding: 'utf8' }).filter((file) => file.endsWith('.ts'));
/** Every sentence that stands as it is, and the words in those that are put together. */
const sentences = files.flatMap((file) => {
  const { copy = {} } = jest.requireActual<{ copy?: Record<string, unknown> }>(join(ROOT, file));
  return Object.entries(copy).map(([key, value]) => ({
    at: `${file} ${key}`,
    text: typeof value === 'function' ? String(value) : (value as string),
    whole: typeof value === 'string',
  }));
});

test('every screen’s file has sentences', () => {
  expect(files.length).toBeGreaterThan(50);
  expect(sentences.length).toBeGreaterThan(400);
});

test.each([
  ['a straight apostrophe where it should be a curly one', /[a-z]'[a-z]/],
  ['two spaces', /\S {2}\S/],
  ['three dots for an ellipsis', /\.\.\./],
  ['a hyphen for a minus or a dash', / - /],
  ['a percent sign without its space', /\d%/],
  ['an exclamation mark', /![’”]?$/],
])('no sentence has %s', (_, fault) => {
  expect(sentences.filter(({ text, whole }) => whole && fault.test(text)).map(({ at }) => at)).toEqual([]);
});

test('a sentence that ends says so once, and none begins or ends with a space but those that go on another', () => {
  const odd = sentences.filter(({ text, whole }) => whole && /\.\.$|\s$/.test(text));
  expect(odd.map(({ at }) => at)).toEqual([]);
});

test('nothing is said twice in one file', () => {
  const seen = new Map<string, string>();
  const twice = sentences.flatMap(({ at, text, whole }) => {
    const key = `${at.split(' ')[0]} ${text}`;
    const before = seen.get(key);
    seen.set(key, at);
    return whole && before ? [`${before} and ${at}`] : [];
  });
  expect(twice).toEqual([]);
});
