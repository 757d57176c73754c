import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

const ROOT = join(__dirname, '../..');
const handbook = readFileSync(join(ROOT, 'docs/handbook.md'), 'utf8');

/** The sections of the handbook, each with the numbers of its list. */
const sections = new Map(
  handbook
    .split(/^## /m)
    .slice(1)
    .map((text) => [text.match(/^\d+/)![0], new Set([...text.matchAll(/^(\d+)\. /gm)].map(([, item]) => item!))]),
);

const files = ['core', 'contract', 'simulators', 'server', 'app'].flatMap((part) =>
  readdirSync(join(ROOT, part, 'src'), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !name.endsWith('handbook.test.ts'))
    .map((name) => join(part, 'src', name)),
);

/** Places cited as `[handbook 1.5, 6]`: "1.5", "6". */
const cited = files.flatMap((file) =>
  [...readFileSync(join(ROOT, file), 'utf8').matchAll(/\bhandbook (\d[\d., –]*)/gi)].flatMap(([, places]) =>
    [...places!.matchAll(/\d+(?:\.\d+)?/g)].map(([place]) => ({ file, place })),
  ),
);

test('every place of the handbook that the code cites is there', () => {
  expect(cited.length).toBeGreaterThan(40);
  const missing = cited.filter(({ place }) => {
    const [section, item] = place.split('.');
    const items = sections.get(section!);
    return !items || (item !== undefined && !items.has(item));
  });
  expect(missing).toEqual([]);
});
