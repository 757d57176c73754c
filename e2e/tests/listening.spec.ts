import { execFileSync } from 'node:child_process';
import { mkdtempSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import { SHELL } from '../../scripts/lib/chromium.mjs';
import { addInstrument, expect, signUp, test } from '../fixtures';

/** A violin's A string, 24 cents flat of 440 Hz, as the browser's microphone hears it. */
const FLAT = 24;
const sound = join(mkdtempSync(join(tmpdir(), 'tembrin-string-')), 'a.wav');
execFileSync(
  process.execPath,
  ['--import', 'tsx', 'simulators/src/string.ts', sound, String(440 * Math.pow(2, -FLAT / 1200)), '20', '0'],
  { cwd: fileURLToPath(new URL('../..', import.meta.url)) },
);

test.use({
  permissions: ['microphone'],
  launchOptions: {
    ...SHELL,
    args: [
      ...SHELL.args,
      '--use-fake-ui-for-media-stream',
      '--use-fake-device-for-media-stream',
      `--use-file-for-fake-audio-capture=${sound}`,
      '--autoplay-policy=no-user-gesture-required',
    ],
  },
});

test('a string heard through the microphone is told in cents, written down, and its settling becomes its own', async ({
  page,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  // New strings yesterday or so, described: they are settling.
  await page.getByRole('link', { name: /^Strings/ }).click();
  await page.getByRole('button', { name: 'Fitted new strings' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await page.getByRole('link', { name: /^What is on/ }).click();
  await page.getByRole('button', { name: 'Describe the set' }).click();
  await page.getByRole('radio', { name: 'Medium synthetic' }).click();
  await page.getByRole('button', { name: 'That is on' }).click();
  await page.getByRole('link', { name: /^Tune and settle/ }).click();
  await expect(page.getByRole('list', { name: 'When to tune again' })).toContainText('A4');

  await page.getByRole('button', { name: 'Listen', exact: true }).click();
  const write = page.getByRole('button', {
    name: /^Write down: A4 2[34](\.\d)? cents flat|^Write down: A4 2[345] cents flat/,
  });
  await expect(write).toBeVisible({ timeout: 30_000 });
  await write.click();
  await expect(page.getByText(/^A4 found 2[2-6](\.\d)? cents flat/)).toBeVisible();
  await page.getByRole('button', { name: 'Stop listening' }).click();
  await expect(page.getByText(/rings are your 1 tuning/)).toBeVisible();
  // What was written down can be taken back.
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByText(/rings are your 1 tuning/)).toHaveCount(0);
});
