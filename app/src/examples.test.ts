import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const CORE = join(__dirname, '../../core/src');
const core = jest.requireActual<Record<string, unknown>>('@tembrin/core');
/** Every `@example expression // value` of the core's docstrings. */
const examples = readdirSync(CORE, { recursive: true, encoding: 'utf8' })
  .filter((file) => file.endsWith('.ts') && !file.endsWith('.test.ts'))
  .flatMap((file) =>
    [...readFileSync(join(CORE, file), 'utf8').matchAll(/@example (.+?) \/\/ (.+?)(?: \*\/)?$/gm)].map(
      ([, expression, value]): [string, string] => [expression!, value!],
    ),
  );
/** What an expression comes to, with everything of the core at hand. */
const valueOf = (expression: string): unknown =>
  (new Function(...Object.keys(core), `return (${expression});`) as (...all: unknown[]) => unknown)(
    ...Object.values(core),
  );

/** A number as exact as it is written. */
function expectSame(found: unknown, said: unknown, text: string): void {
  if (typeof said !== 'number' || Number.isInteger(said)) return expect(found).toEqual(said);
  const digits = text.replace('…', '').split('.')[1]!.length;
  expect(found as number).toBeCloseTo(said, digits - 1);
}

test('there are examples', () => expect(examples.length).toBeGreaterThan(40));

test.each(examples)('%s is %s', (expression, value) => {
  const found = valueOf(expression);
  const said = valueOf(value.replace('…', ''));
  if (!Array.isArray(said)) return expectSame(found, said, value);
  expect(found).toHaveLength(said.length);
  const texts = value.slice(1, -1).split(', ');
  said.forEach((each, at) => expectSame((found as unknown[])[at], each, texts[at]!));
});
