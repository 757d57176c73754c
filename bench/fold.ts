import { assess, DAY_MS, foldLog, schoolsFor, usualFacts } from '@tembrin/core';
import { build } from 'esbuild';
import { execFileSync } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { median, tenYears } from './log';

/** Folding and forecasting ten years of daily use of one violin, and twice and four times as much; and for the first time in a process. */
const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ZONE = 'Europe/Lisbon';
const violin = usualFacts('violin');
const SCHOOLS = schoolsFor('violin');
const ROUNDS = 15;
/** Rounds after which the engine has made of the code what it will: they are not counted. */
const WARMING = 15;
const COLD_RUNS = 9;

interface Cold {
  events: number;
  parsed: number;
  told: number;
  folded: number;
}

/** Processes that fold once. The code is bundled as the app ships it: the loader that runs it from its sources slows what runs once. */
async function cold(): Promise<Cold[]> {
  const folder = mkdtempSync(join(tmpdir(), 'tembrin-cold-'));
  const outfile = join(folder, 'cold.mjs');
  try {
    await build({
      entryPoints: [join(import.meta.dirname, 'cold.ts')],
      outfile,
      bundle: true,
      platform: 'node',
      format: 'esm',
    });
    return Array.from(
      { length: COLD_RUNS },
      () => JSON.parse(execFileSync(process.execPath, [outfile]).toString()) as Cold,
    );
  } finally {
    rmSync(folder, { recursive: true });
  }
}

function time(work: () => unknown): number {
  for (let round = 0; round < WARMING; round++) work();
  const runs: number[] = [];
  for (let round = 0; round < ROUNDS; round++) {
    const began = performance.now();
    work();
    runs.push(performance.now() - began);
  }
  return median(runs);
}

async function main() {
  console.log(
    'Folding and forecasting one instrument’s log (median of 15 runs once warm; baseline: JSON.parse of the same log)\n',
  );
  let first = 0;
  for (const times of [1, 2, 4]) {
    const events = tenYears(times, NOW);
    const text = JSON.stringify(events);
    const baseline = time(() => JSON.parse(text) as unknown);
    const fold = time(() =>
      assess(violin, foldLog(events, NOW, ZONE), { schools: SCHOOLS, observedFrom: NOW - 3650 * DAY_MS }),
    );
    if (times === 1) first = fold / events.length;
    const growth = fold / events.length / first;
    console.log(
      `${times}×  ${events.length} events: ${fold.toFixed(1)} ms, ${(fold / baseline).toFixed(2)} × baseline; ` +
        `per event ${growth.toFixed(2)} × that of 1×`,
    );
  }
  const runs = await cold();
  const [folded, parsed, told] = (['folded', 'parsed', 'told'] as const).map((what) =>
    median(runs.map((run) => run[what])),
  );
  console.log(
    `1×  cold (median of ${COLD_RUNS} processes): ${folded!.toFixed(1)} ms, ${(folded! / parsed!).toFixed(2)} × baseline, parsed there ` +
      `once; the runtime’s first date, of whatever zone, takes ${told!.toFixed(1)} ms and is not in it`,
  );
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
