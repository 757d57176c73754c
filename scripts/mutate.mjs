import { spawnSync } from 'node:child_process';
import { readFileSync, rmSync } from 'node:fs';
import { join } from 'node:path';
import { ensurePackages, ROOT } from './lib/project.mjs';

/**
 * Changes the core here and there and counts which changes its tests notice: `npm run mutate` for all folders that matter most,
 * `npm run mutate -- wear` for one. What is done once at import is left alone: it takes four fifths of the time.
 */
const FOLDERS = ['wear', 'air', 'strings', 'log'];
const LEAST = 75;
const REPORT = join(ROOT, '.build/mutation.json');
const NOTICED = new Set(['Killed', 'Timeout']);
const COUNTED = new Set([...NOTICED, 'Survived', 'NoCoverage']);

function mutantsOf(folder) {
  rmSync(REPORT, { force: true });
  const { status } = spawnSync(
    join(ROOT, 'node_modules/.bin/stryker'),
    ['run', 'stryker.config.mjs', '--mutate', `core/src/${folder}/**/*.ts,!core/src/**/*.test.ts`],
    { cwd: ROOT, stdio: ['ignore', 'inherit', 'inherit'], env: { ...process.env, MUTATED: folder } },
  );
  if (status !== 0) throw new Error(`The run of ${folder} broke off.`);
  const { files } = JSON.parse(readFileSync(REPORT, 'utf8'));
  return Object.entries(files).flatMap(([file, { mutants }]) => mutants.map((mutant) => ({ file, ...mutant })));
}

ensurePackages();
let low = false;
for (const folder of process.argv.length > 2 ? process.argv.slice(2) : FOLDERS) {
  const began = Date.now();
  const counted = mutantsOf(folder).filter(({ status }) => COUNTED.has(status));
  const noticed = counted.filter(({ status }) => NOTICED.has(status)).length;
  const score = (100 * noticed) / counted.length;
  low ||= score < LEAST;
  for (const { file, location, mutatorName, replacement, status } of counted)
    if (!NOTICED.has(status))
      console.log(`  ${file}:${location.start.line} ${mutatorName} → ${replacement} (${status})`);
  const minutes = ((Date.now() - began) / 60_000).toFixed(1);
  console.log(`${folder}: ${score.toFixed(1)} % of ${counted.length} changes noticed, in ${minutes} minutes`);
}
process.exitCode = low ? 1 : 0;
