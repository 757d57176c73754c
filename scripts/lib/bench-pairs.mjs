import { spawn, spawnSync } from 'node:child_process';
import { cpSync, mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { exit, ROOT, run } from './project.mjs';

/** A figure of a bench and its ratio, in a line of what it says. */
const RATIO = /^\s*(.+?): .*?([\d.]+) × baseline/;
/** From here on two runs of one state lie too far apart to tell anything. */
const NOISY = 0.25;

/** The figures a bench told, with their ratios. */
export function figuresIn(text) {
  return text.split('\n').flatMap((line) => {
    const [, figure, ratio] = RATIO.exec(line) ?? [];
    return ratio === undefined
      ? []
      : [{ figure: figure.trim(), ratio: Number(ratio), noisy: line.includes('(noisy)') }];
  });
}

/** What measures: that of here, on either side, so that both are measured alike, and by what an older state did not measure yet. */
const MEASURES = ['bench', 'scripts/bench.mjs', 'scripts/lib/bench-pairs.mjs', 'scripts/lib/household.mjs'];

/** Runs one bench of a state of the project, and leaves no trace of it there. */
async function ratiosOf(root, name) {
  const child = spawn(process.execPath, ['scripts/bench.mjs', name], {
    cwd: root,
    env: { ...process.env, BENCH_HISTORY: 'off' },
    stdio: ['ignore', 'pipe', 'inherit'],
  });
  let text = '';
  for await (const part of child.stdout) text += part;
  if ((await exit(child)) !== 0) throw new Error(`The bench ${name} failed in ${root}.`);
  // Ratios alone hide that their baseline changed.
  console.log(`${root === ROOT ? 'Here' : 'Before'}:\n${text}`);
  return new Map(figuresIn(text).map(({ figure, ratio }) => [figure, ratio]));
}

const mean = ([one, two]) => (one + two) / 2;
const isNoisy = ([one, two]) => Math.abs(one - two) / mean([one, two]) > NOISY;
const words = ([one, two]) => `${mean([one, two]).toFixed(2)} (${one}, ${two})`;

/**
 * Benches this state of the project against that of a commit, in turn: that, this, that, this.
 * @param commit checked out beside for as long as it takes
 */
export async function comparePairs(commit, names) {
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-bench-against-'));
  const before = join(folder, 'project');
  run('git', ['worktree', 'add', '--detach', before, commit]);
  try {
    for (const part of MEASURES) cpSync(join(ROOT, part), join(before, part), { recursive: true });
    for (const name of names) {
      const runs = [];
      for (const root of [before, ROOT, before, ROOT]) runs.push(await ratiosOf(root, name));
      console.log(`${name}: × baseline in ${commit}, and here (two runs each, taken in turn)\n`);
      for (const figure of runs[1].keys()) {
        if (!runs[0].has(figure)) continue;
        const [then, now] = [
          [runs[0].get(figure), runs[2].get(figure)],
          [runs[1].get(figure), runs[3].get(figure)],
        ];
        const noisy = isNoisy(then) || isNoisy(now) ? ' (noisy)' : '';
        const change = ((mean(now) / mean(then) - 1) * 100).toFixed(0);
        console.log(`${figure}: ${words(then)} → ${words(now)}, ${change > 0 ? '+' : ''}${change} %${noisy}`);
      }
      console.log('');
    }
  } finally {
    spawnSync('git', ['worktree', 'remove', '--force', before], { cwd: ROOT });
    rmSync(folder, { recursive: true, force: true });
  }
}
