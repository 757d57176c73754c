import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';

/** What stands in the bundle for each library of which only some functions are loaded. */
const PICKED = {
  'simple-statistics': 'statistics.js',
  'd3-array': 'arrays.js',
  'd3-scale': 'scales.js',
  'd3-shape': 'shapes.js',
  'expo-router': 'router.js',
};
const ROOT = join(__dirname, '../../..');
const sources = ['core/src', 'contract/src', 'app/src'].flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'))
    .map((name) => readFileSync(join(ROOT, folder, name), 'utf8')),
);

test.each(Object.entries(PICKED))('everything used of %s is among what is picked of it', (library, file) => {
  const picked = readFileSync(join(__dirname, file), 'utf8');
  const used = sources.flatMap((text) =>
    [...text.matchAll(/import \{([^}]*)\} from '([^']+)'/g)].flatMap(([, names, from]) =>
      from === library ? names!.split(',').map((name) => name.trim()) : [],
    ),
  );
  expect(used.length).toBeGreaterThan(0);
  for (const name of used.filter((name) => !name.startsWith('type ')))
    expect(picked).toMatch(new RegExp(`^export (const ${name}\\b|\\{[^}]*\\b${name}\\b)`, 'm'));
});
