import { spawnSync } from 'node:child_process';
import { readdirSync, readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ROOT } from './lib/project.mjs';

/**
 * Changes the core here and there and counts which changes its tests notice: `npm run mutate` for all folders that matter most,
 * `npm run mutate -- wear` for one. What is done once at import is left alone: it takes four fifths of the time. A large folder is
 * taken in parts, so that a run ends in ten minutes: `npm run mutate -- air 2` for its second.
 */
const FOLDERS = ['wear', 'air', 'strings', 'log'];
const LEAST = 75;
/** Lines looked at in one run, and how many of them stand together. */
const LINES = 220;
const STRETCH = 20;
const REPORT = join(ROOT, '.build/mutation.json');
const NOTICED = new Set(['Killed', 'Timeout']);
const COUNTED = new Set([...NOTICED, 'Survived', 'NoCoverage']);

/** Every so many-th stretch of lines of a folder's files, as Stryker names them. */
function stretchesOf(folder, part) {
  const root = `core/src/${folder}`;
  const files = readdirSync(join(ROOT, root), { recursive: true, encoding: 'utf8' })
    .filter((name) => name.endsWith('.ts') && !name.endsWith('.test.ts'))
    .map((name) => ({ name, lines: readFileSync(join(ROOT, root, name), 'utf8').split('\n').length }));
  const stretches = files.flatMap(({ name, lines }) =>
    Array.from({ length: Math.ceil(lines / STRETCH) }, (_, at) => {
      const to = Math.min(lines, (at + 1) * STRETCH);
      return `${root}/${name}:${at * STRETCH + 1}-${to}`;
    }),
  );
  const parts = Math.max(1, Math.round((stretches.length * STRETCH) / LINES));
  return { parts, chosen: stretches.filter((_, at) => at % parts === (part - 1) % parts) };
}

function mutantsOf(folder, chosen) {
  rmSync(REPORT, { force: true });
  const { status } = spawnSync(
    join(ROOT, 'node_modules/.bin/stryker'),
    ['run', 'stryker.config.mjs', '--mutate', chosen.join(',')],
    { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, MUTATED: folder } },
  );
  if (status !== 0) throw new Error(`The run of ${folder} broke off.`);
  const { files } = JSON.parse(readFileSync(REPORT, 'utf8'));
  return Object.entries(files).flatMap(([file, { mutants }]) => mutants.map((mutant) => ({ file, ...mutant })));
}

ensurePackages();
const [wanted, part = '1'] = process.argv.slice(2);
let low = false;
for (const folder of wanted ? [wanted] : FOLDERS) {
  const began = Date.now();
  const { parts, chosen } = stretchesOf(folder, Number(part));
  const counted = mutantsOf(folder, chosen).filter(({ status }) => COUNTED.has(status));
  const noticed = counted.filter(({ status }) => NOTICED.has(status)).length;
  const score = (100 * noticed) / counted.length;
  low ||= score < LEAST;
  for (const { file, location, mutatorName, replacement, status } of counted)
    if (!NOTICED.has(status))
      console.log(`  ${file}:${location.start.line} ${mutatorName} → ${replacement} (${status})`);
  const minutes = ((Date.now() - began) / 60_000).toFixed(1);
  console.log(
    `${folder}, part ${part} of ${parts}: ${score.toFixed(1)} % of ${counted.length} changes noticed, in ${minutes} minutes`,
  );
}
process.exitCode = low ? 1 : 0;
