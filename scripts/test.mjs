import { spawn, spawnSync } from 'node:child_process';
import { mkdtempSync, readFileSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { build } from './build.mjs';
import { DEBIAN, ensureDebian, ensurePackages, ROOT } from './lib/project.mjs';

/** Runs everything: types, lint, unit and server tests, the real interface. The last line says how many passed and failed. */
const results = [];
const scratch = mkdtempSync(join(tmpdir(), 'tembrin-test-'));

function bin(name) {
  return join(ROOT, 'node_modules/.bin', name);
}

function attempt(command, args) {
  const began = Date.now();
  const { status } = spawnSync(command, args, {
    cwd: ROOT,
    stdio: 'inherit',
    env: { ...process.env, CI: '1', FORCE_COLOR: '0' },
  });
  return { status: status ?? 1, seconds: Math.round((Date.now() - began) / 1000) };
}

function note(name, passed, failed, seconds) {
  results.push({ name, passed, failed, seconds });
}

/** A check that either passes or does not. What it prints is kept until it ends, for others run beside it. */
function check(name, command, args) {
  const began = Date.now();
  const env = { ...process.env, CI: '1', FORCE_COLOR: '0' };
  return new Promise((resolve) => {
    const child = spawn(command, args, { cwd: ROOT, env, stdio: ['ignore', 'pipe', 'pipe'] });
    let said = '';
    for (const stream of [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
    child.once('close', (status) => {
      console.log(`\n— ${name}\n${said}`);
      note(name, status === 0 ? 1 : 0, status === 0 ? 0 : 1, Math.round((Date.now() - began) / 1000));
      resolve();
    });
  });
}

/** A test runner that writes a report; a run that breaks off without one counts as a failure. */
function suite(name, command, args, report, count) {
  console.log(`\n— ${name}`);
  rmSync(report, { force: true });
  const { status, seconds } = attempt(command, args);
  try {
    const { passed, failed } = count(JSON.parse(readFileSync(report, 'utf8')));
    const broken = failed === 0 && (status !== 0 || passed === 0) ? 1 : 0;
    note(name, passed, failed + broken, seconds);
  } catch {
    note(name, 0, 1, seconds);
  }
}

try {
  ensureDebian({ ...DEBIAN, chromium: ['chromium'] });
  ensurePackages();
  await build();
} catch (error) {
  console.error(error.message);
  console.log('0 passed, 1 failed');
  process.exit(1);
}

// Two at a time, for two cores.
await Promise.all([
  check('types', bin('tsc'), ['--build']),
  check('lint', bin('eslint'), ['.', '--max-warnings', '0']).then(() =>
    check('formatting', bin('prettier'), ['--check', '.', '--log-level', 'warn']),
  ),
]);
await check('bytes', process.execPath, ['scripts/bytes.mjs']);
const CODE = ['core', 'contract', 'simulators', 'server', 'app', 'e2e'];
await Promise.all([
  check('dependence', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...CODE]),
  check('folders', bin('depcruise'), ['--config', '.dependency-cruiser.folders.cjs', ...CODE]),
]);
const jestReport = join(scratch, 'jest.json');
suite('unit and server', bin('jest'), ['--ci', '--json', `--outputFile=${jestReport}`], jestReport, (report) => ({
  passed: report.numPassedTests,
  failed: report.numFailedTests + report.numRuntimeErrorTestSuites,
}));
const playwrightReport = join(ROOT, 'e2e/test-results/report.json');
suite(
  'interface',
  bin('playwright'),
  ['test', '--config', 'e2e/playwright.config.ts'],
  playwrightReport,
  ({ stats, errors }) => ({
    passed: stats.expected + stats.flaky,
    failed: stats.unexpected + errors.length,
  }),
);

rmSync(scratch, { recursive: true, force: true });
console.log('');
for (const { name, passed, failed, seconds } of results)
  console.log(`${name}: ${passed} passed, ${failed} failed (${seconds} s)`);
const sum = (key) => results.reduce((total, result) => total + result[key], 0);
console.log(`${sum('passed')} passed, ${sum('failed')} failed`);
process.exit(sum('failed') === 0 ? 0 : 1);
