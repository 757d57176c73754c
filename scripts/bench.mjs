import { execFileSync } from 'node:child_process';
import { appendFileSync, existsSync, writeFileSync } from 'node:fs';
import { cpus, loadavg } from 'node:os';
import { join } from 'node:path';
import { parseArgs } from 'node:util';
import { comparePairs, figuresIn } from './lib/bench-pairs.mjs';
import { ROOT, runTypeScript } from './lib/project.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

/**
 * Measures speed: everything as a ratio against a baseline taken in the same run. Each run leaves its ratios in bench/history.csv, so
 * that what drifts over months shows; name a bench to run it alone. With `--against COMMIT` each is run twice here and twice in
 * that commit, in turn, and the two are compared.
 */
const BENCHES = [
  'fold',
  'compose',
  'strings',
  'year-opens',
  'air',
  'rounds',
  'requests',
  'first-load',
  'daily-opening',
  'routes',
  'touches',
  'growth',
];
const HISTORY = join(ROOT, 'bench/history.csv');
/** Off where runs are compared: their ratios are told, not kept. */
const keeps = process.env.BENCH_HISTORY !== 'off';

const { values, positionals: asked } = parseArgs({ options: { against: { type: 'string' } }, allowPositionals: true });
const unknown = asked.find((name) => !BENCHES.includes(name));
if (unknown !== undefined) {
  console.error(`There is no bench "${unknown}". There are: ${BENCHES.join(', ')}.`);
  process.exit(1);
}

const commit = execFileSync('git', ['rev-parse', '--short', 'HEAD'], { cwd: ROOT, encoding: 'utf8' }).trim();
const cell = (text) => `"${text.replaceAll('"', '""')}"`;

/** Runs one, and keeps what it says. */
async function bench(name, env) {
  const child = runTypeScript(`bench/${name}.ts`, env, { stdio: ['ignore', 'pipe', 'inherit'] });
  let text = '';
  for await (const part of child.stdout) {
    process.stdout.write(part);
    text += part;
  }
  if (child.exitCode === null) await new Promise((resolve) => child.once('exit', resolve));
  if (child.exitCode !== 0) throw new Error(`The bench ${name} failed.`);
  if (!keeps) return;
  if (!existsSync(HISTORY)) writeFileSync(HISTORY, 'day,commit,cores,load,bench,figure,ratio,noisy\n');
  const day = new Date().toISOString().slice(0, 10);
  const lines = figuresIn(text).map(({ figure, ratio, noisy }) =>
    [day, commit, cpus().length, loadavg()[0].toFixed(1), name, cell(figure), ratio, noisy ? 'noisy' : ''].join(','),
  );
  if (lines.length > 0) appendFileSync(HISTORY, `${lines.join('\n')}\n`);
}

console.log(`${cpus().length} cores (${cpus()[0].model}), load ${loadavg()[0].toFixed(1)}, commit ${commit}\n`);
const names = asked.length > 0 ? asked : BENCHES;
if (values.against !== undefined) {
  await comparePairs(values.against, names);
  process.exit(0);
}
await withThrowaway(async (env) => {
  for (const name of names) {
    await bench(name, env);
    console.log('');
  }
});
