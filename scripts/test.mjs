import { spawn } from 'node:child_process';
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

const env = { ...process.env, CI: '1', FORCE_COLOR: '0' };

function note(name, passed, failed, seconds) {
  results.push({ name, passed, failed, seconds });
}

/** A command that takes so long hangs: several times what the longest of them takes. */
const ENDLESS_MS = 25 * 60_000;

/**
 * Runs a command. What it prints is told once it ends, under its name, unless it runs alone: others run beside it. One that
 * hangs is ended with all it started, and what it left running when it ended is ended too; it counts as failed.
 */
function run(name, command, args, alone) {
  const began = Date.now();
  if (alone) console.log(`\n— ${name}`);
  return new Promise((resolve) => {
    const stdio = alone ? 'inherit' : ['ignore', 'pipe', 'pipe'];
    const child = spawn(command, args, { cwd: ROOT, env, stdio, detached: true });
    const endAll = () => {
      try {
        process.kill(-child.pid, 'SIGKILL');
      } catch {
        // Nothing of it runs any more.
      }
    };
    groups.add(endAll);
    let said = '';
    for (const stream of alone ? [] : [child.stdout, child.stderr]) stream.on('data', (text) => (said += text));
    const hangs = setTimeout(() => {
      said += `\n${name} took longer than ${ENDLESS_MS / 60_000} minutes and was ended.`;
      endAll();
    }, ENDLESS_MS);
    child.once('exit', endAll);
    child.once('close', (status) => {
      clearTimeout(hangs);
      groups.delete(endAll);
      if (!alone) console.log(`\n— ${name}\n${said}`);
      resolve({ status: status ?? 1, seconds: Math.round((Date.now() - began) / 1000) });
    });
  });
}

/** Each runs in a group of its own: who breaks the whole off ends them too. */
const groups = new Set();
for (const signal of ['SIGINT', 'SIGTERM', 'SIGHUP'])
  process.once(signal, () => {
    for (const endAll of groups) endAll();
    process.exit(1);
  });

/** A check that either passes or does not. */
async function check(name, command, args) {
  const { status, seconds } = await run(name, command, args);
  note(name, status === 0 ? 1 : 0, status === 0 ? 0 : 1, seconds);
}

/** A test runner that writes a report; a run that breaks off without one counts as a failure. */
async function suite(name, command, args, report, count, alone = false) {
  rmSync(report, { force: true });
  const { status, seconds } = await run(name, command, args, alone);
  try {
    const { passed, failed } = count(JSON.parse(readFileSync(report, 'utf8')));
    const broken = failed === 0 && (status !== 0 || passed === 0) ? 1 : 0;
    note(name, passed, failed + broken, seconds);
  } catch {
    note(name, 0, 1, seconds);
  }
}

/** A test that takes so long hangs; beside other work a slow one may take several times its usual. */
const HANGS_MS = 30_000;

/** Jest over some of its projects, on one core. */
function jest(name, projects) {
  const report = join(scratch, `${name}.json`);
  const args = [
    '--ci',
    '--runInBand',
    // A test that fails half way may leave a connection open, and what has one open never ends by itself.
    '--forceExit',
    `--testTimeout=${HANGS_MS}`,
    '--json',
    `--outputFile=${report}`,
    '--selectProjects',
    ...projects,
  ];
  return suite(name, bin('jest'), args, report, ({ numPassedTests, numFailedTests, numRuntimeErrorTestSuites }) => ({
    passed: numPassedTests,
    failed: numFailedTests + numRuntimeErrorTestSuites,
  }));
}

try {
  ensureDebian({ ...DEBIAN, 'chromium-headless-shell': ['chromium-headless-shell'] });
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
  check('lint', bin('eslint'), ['.', '--max-warnings', '0']),
]);
const CODE = ['core', 'contract', 'simulators', 'server', 'app', 'e2e'];
await Promise.all([
  jest('unit', ['core', 'contract', 'simulators', 'app']).then(() =>
    check('formatting', bin('prettier'), ['--check', '.', '--log-level', 'warn']),
  ),
  jest('server', ['server'])
    .then(() => check('dependence', bin('depcruise'), ['--config', '.dependency-cruiser.cjs', ...CODE]))
    .then(() => check('folders', bin('depcruise'), ['--config', '.dependency-cruiser.folders.cjs', ...CODE]))
    .then(() => check('bytes', process.execPath, ['scripts/bytes.mjs'])),
]);
const playwrightReport = join(ROOT, 'e2e/test-results/report.json');
await suite(
  'interface',
  bin('playwright'),
  ['test', '--config', 'e2e/playwright.config.ts'],
  playwrightReport,
  ({ stats, errors }) => {
    if (stats.flaky > 0) console.log(`interface: ${stats.flaky} passed only at the second try (see above)`);
    return { passed: stats.expected + stats.flaky, failed: stats.unexpected + errors.length };
  },
  true,
);

rmSync(scratch, { recursive: true, force: true });
console.log('');
for (const { name, passed, failed, seconds } of results)
  console.log(`${name}: ${passed} passed, ${failed} failed (${seconds} s)`);
const sum = (key) => results.reduce((total, result) => total + result[key], 0);
console.log(`${sum('passed')} passed, ${sum('failed')} failed`);
process.exit(sum('failed') === 0 ? 0 : 1);
