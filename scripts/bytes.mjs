import { readdirSync, readFileSync, statSync, writeFileSync } from 'node:fs';
import { basename, join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { DIST, WORKERS } from './build.mjs';
import { ROOT } from './lib/project.mjs';

/**
 * What the app weighs, in bytes as they go over the wire (Brotli), against scripts/bytes.json. `now`: JavaScript before a usable
 * Now, the worker that judges among it; `whole`: all of it, but for the workers; `routes`: what each further route loads. `--write` takes
 * what the routes weigh as their budget; the other two are lowered by hand, never raised.
 */
const BUDGET = join(ROOT, 'scripts/bytes.json');
const CHUNKS = join(DIST, '_expo/static/js/web');
const size = (file) => statSync(`${file}.br`).size;
/** Names without the hash of their content. */
const nameOf = (file) => basename(file).replace(/-[0-9a-f]{32}\.js$/, '');
/** A fiftieth of room, as a figure that may not grow at all would ask for a new one at each comma. */
const withRoom = (bytes) => Math.ceil((bytes * 1.02) / 100) * 100;

function weigh() {
  const page = readFileSync(join(DIST, 'index.html'), 'utf8');
  const first = new Set([...page.matchAll(/<script src="\/([^"]+\.js)"/g)].map(([, path]) => join(DIST, path)));
  const routes = {};
  for (const name of WORKERS) if (name !== 'assess') routes[`${name} worker`] = size(join(DIST, `${name}.js`));
  const now = [...first].reduce((sum, file) => sum + size(file), size(join(DIST, 'assess.js')));
  let whole = 0;
  for (const name of readdirSync(CHUNKS)) {
    const file = join(CHUNKS, name);
    if (!name.endsWith('.js')) continue;
    whole += size(file);
    if (!first.has(file)) routes[nameOf(file)] = (routes[nameOf(file)] ?? 0) + size(file);
  }
  return { now, whole, routes };
}

export function checkBytes() {
  const budget = JSON.parse(readFileSync(BUDGET, 'utf8'));
  const { now, whole, routes } = weigh();
  const over = [
    ...(now > budget.now ? [`before a usable Now: ${now}, at most ${budget.now}`] : []),
    ...(whole > budget.whole ? [`the whole app: ${whole}, at most ${budget.whole}`] : []),
    ...Object.entries(routes)
      .filter(([name, bytes]) => !(bytes <= budget.routes[name]))
      .map(([name, bytes]) => `${name}: ${bytes}, at most ${budget.routes[name] ?? 'nothing: it is new'}`),
  ];
  console.log(
    `JavaScript before a usable Now: ${now} of ${budget.now} bytes; of the whole app: ${whole} of ${budget.whole}`,
  );
  for (const line of over)
    console.log(`Too much: ${line}. Load it where it is used, or say why in scripts/bytes.json.`);
  return over.length === 0;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  if (process.argv.includes('--write')) {
    const { routes } = weigh();
    const sorted = Object.entries(routes).sort(([a], [b]) => (a < b ? -1 : 1));
    const { now, whole } = JSON.parse(readFileSync(BUDGET, 'utf8'));
    const budget = {
      now,
      whole,
      routes: Object.fromEntries(sorted.map(([name, bytes]) => [name, withRoom(bytes)])),
    };
    writeFileSync(BUDGET, `${JSON.stringify(budget, null, 2)}\n`);
  }
  process.exitCode = checkBytes() ? 0 : 1;
}
