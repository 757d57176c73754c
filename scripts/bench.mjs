import { exit, runTypeScript } from './lib/project.mjs';
import { withThrowaway } from './lib/throwaway.mjs';

/** Measures speed: everything as a ratio against a baseline taken in the same run. */
await withThrowaway(async (env) => {
  await exit(runTypeScript('bench/fold.ts'));
  console.log('');
  await exit(runTypeScript('bench/compose.ts'));
  console.log('');
  await exit(runTypeScript('bench/strings.ts'));
  console.log('');
  await exit(runTypeScript('bench/year-opens.ts', env));
  console.log('');
  await exit(runTypeScript('bench/air.ts', env));
  console.log('');
  await exit(runTypeScript('bench/rounds.ts', env));
  console.log('');
  await exit(runTypeScript('bench/first-load.ts', env));
  console.log('');
  await exit(runTypeScript('bench/daily-opening.ts', env));
});
