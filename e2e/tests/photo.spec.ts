import { execFileSync } from 'node:child_process';
import { mkdtempSync, readFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { fileURLToPath } from 'node:url';
import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, signUp, test } from '../fixtures';

interface Rendered {
  width: number;
  height: number;
  gap: number;
  lean: number;
  /** The tailpiece is on the left. */
  left: boolean;
  grey: string;
}

/** A bow beside a card, rendered from known geometry. */
function rendered(seed: number, width: number, ...more: readonly string[]): Rendered {
  const file = join(mkdtempSync(join(tmpdir(), 'tembrin-photo-')), 'bow.json');
  execFileSync(
    process.execPath,
    ['--import', 'tsx', 'scripts/pictures/photograph.mjs', file, String(seed), String(width), ...more],
    { cwd: fileURLToPath(new URL('../..', import.meta.url)) },
  );
  return JSON.parse(readFileSync(file, 'utf8')) as Rendered;
}

/** A rendered photograph as a file, as a phone's camera would hand it over. */
async function pictureFile(page: Page, { width, height, grey }: Rendered, name = 'bow.jpg') {
  const encoded = await page.evaluate(
    ([shades, w, h]) => {
      const canvas = document.createElement('canvas');
      Object.assign(canvas, { width: w, height: h });
      const context = canvas.getContext('2d')!;
      const pixels = context.createImageData(w, h);
      const bytes = Uint8Array.from(atob(shades), (each) => each.charCodeAt(0));
      bytes.forEach((shade, at) => pixels.data.set([shade, shade, shade, 255], at * 4));
      context.putImageData(pixels, 0, 0);
      return canvas.toDataURL('image/jpeg', 0.9).split(',')[1]!;
    },
    [grey, width, height] as const,
  );
  return { name, mimeType: 'image/jpeg', buffer: Buffer.from(encoded, 'base64') };
}

const input = (page: Page) => page.locator('input[type=file]');
const figure = async (page: Page) =>
  Number.parseFloat((await page.getByRole('status').first().innerText()).split(' mm')[0]!);

test('a bow’s gap is read off a photograph without a connection, corrected by hand, and put on record', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Measure by photo/ }).click();
  await expect(page.getByText(/The picture stays on this device/)).toBeVisible();
  await expectAccessible(page, 'before a photograph');
  await page.evaluate(() => navigator.serviceWorker.ready);
  const scene = rendered(2, 1280);
  const file = await pictureFile(page, scene);
  // The worker that looks at pictures is kept on the device with the app.
  await page.evaluate(() => fetch('/vision.js').then((answer) => answer.text()));
  await context.setOffline(true);
  await input(page).setInputFiles(file);
  const recorded = page.getByRole('button', { name: /^Put .* mm on record/ });
  await expect(recorded).toBeVisible({ timeout: 30_000 });
  const truth = scene.gap;
  expect(Math.abs((await figure(page)) - truth)).toBeLessThanOrEqual(0.35);
  await expect(page.getByRole('status').first()).toContainText('±');
  await expectAccessible(page, 'a photograph that is read');
  // A corner that is dragged off is brought back to the card; an end moved by keys reads on.
  await page.getByRole('button', { name: 'End 1 of the hair' }).focus();
  for (let times = 0; times < 3; times++) await page.keyboard.press('ArrowUp');
  await expect.poll(() => figure(page)).toBeCloseTo(truth, 0);
  await recorded.click();
  await expect(page.getByText(/^Bow gap: .* mm\./)).toBeVisible();
  await context.setOffline(false);
});

test('a look’s figure is read off a photograph: a bridge’s lean beside a card, corrected by keys; and hair by hand', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.goto('/kit');
  await page
    .getByRole('link', { name: /^Violin/ })
    .first()
    .click();
  await page.getByRole('link', { name: /^Looked over/ }).click();
  await page.getByRole('link', { name: /^Bridge, upright/ }).click();
  await page.getByRole('button', { name: 'Look again' }).click();
  await page.getByRole('button', { name: 'Measure it by photo' }).click();
  const scene = rendered(2, 1280, 'bridge');
  if (scene.left) await page.getByRole('radio', { name: 'On the left' }).click();
  await expectAccessible(page, 'before a photograph of the bridge');
  await input(page).setInputFiles(await pictureFile(page, scene, 'bridge.jpg'));
  const recorded = page.getByRole('button', { name: /^Put .*° on record/ });
  await expect(recorded).toBeVisible({ timeout: 30_000 });
  const degrees = async () => Number.parseFloat((await page.getByRole('status').first().innerText()).split('°')[0]!);
  expect(Math.abs((await degrees()) - scene.lean)).toBeLessThanOrEqual(1);
  await page.getByRole('button', { name: 'Crown of the bridge' }).press('ArrowRight');
  await expect.poll(async () => Math.abs((await degrees()) - scene.lean)).toBeLessThanOrEqual(1);
  await page.getByRole('checkbox', { name: 'Keep the picture with it' }).click();
  await recorded.click();
  // Back at the look its figure stands in the field, and tells the verdict.
  await expect(page.getByRole('textbox', { name: /^Bridge, from the side/ })).toHaveValue(/^\d/);
  await expect(page.getByText(/^By the figure:/)).toBeVisible();
  await page.getByRole('button', { name: 'Back' }).click();
  await expect(page.getByRole('link', { name: /^Photos. One on record/ })).toBeVisible();

  // Hair against ferrule: four handles across them, and no number before all were set.
  await page.goto('/bench/photo?figure=bow-band-mid');
  await input(page).setInputFiles(await pictureFile(page, rendered(2, 1280)));
  await expect(page.getByText(/^Drag two onto the edges of the hair/)).toBeVisible({ timeout: 30_000 });
  for (const name of ['Edge 1 of the hair', 'Edge 2 of the hair', 'Edge 1 of the ferrule'])
    await page.getByRole('button', { name }).press('ArrowRight');
  await expect(page.getByRole('button', { name: /on record/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Edge 2 of the ferrule' }).press('ArrowRight');
  await expect(page.getByRole('button', { name: /^Put .* % on record/ })).toBeVisible();
});

test('a length gives no number before both its ends were set', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.goto('/bench/photo');
  await page.getByRole('radio', { name: 'A length' }).click();
  await input(page).setInputFiles(await pictureFile(page, rendered(2, 1280)));
  await expect(page.getByText('Drag both ends to what you measure, then it is read.')).toBeVisible({ timeout: 30_000 });
  const recorded = page.getByRole('button', { name: /^Put .* mm on record/ });
  await page.getByRole('button', { name: 'End 1 of the length' }).press('ArrowUp');
  await expect(page.getByText('Set the last one, then it is read.')).toBeVisible();
  await expect(recorded).toHaveCount(0);
  // Dragged onto two corners of the card, the length is that of its long edge [ISO/IEC 7810].
  for (const end of [1, 2]) {
    const [handle, corner] = [`End ${end} of the length`, `Corner ${end} of the card`].map((name) =>
      page.getByRole('button', { name }),
    );
    const middle = async (of: typeof handle) => {
      const { x, y, width, height } = (await of!.boundingBox())!;
      return [x + width / 2, y + height / 2] as const;
    };
    await handle!.scrollIntoViewIfNeeded();
    const to = await middle(corner);
    await page.mouse.move(...(await middle(handle)));
    await page.mouse.down();
    await page.mouse.move(...to, { steps: 6 });
    await page.mouse.up();
  }
  // While it is dragged it is read as well: what counts is where it comes to rest.
  await expect.poll(async () => Math.abs((await figure(page)) - 85.6)).toBeLessThan(1.6);
  await expect(recorded).toBeVisible();
});

test('what cannot be measured is said, and nothing else happens: no card, no picture, a drawing, a bomb', async ({
  page,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.goto('/bench/photo');
  await expect(page.getByRole('heading', { level: 1, name: 'Measure by photo' })).toBeVisible();
  const refuse = async (name: string, content: Buffer, told: RegExp) => {
    await input(page).setInputFiles({ name, mimeType: 'image/jpeg', buffer: content });
    await expect(page.getByRole('alert')).toContainText(told);
    await expect(page.getByRole('button', { name: /on record/ })).toHaveCount(0);
  };
  await refuse('notes.jpg', Buffer.from('The bridge leans to the pegs.'), /That is no picture/);
  await refuse(
    'drawing.jpg',
    Buffer.from('<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>'),
    /a drawing, not a photograph/,
  );
  await refuse('cut.jpg', Buffer.from([0xff, 0xd8, 0xff, 0xe1, 0, 4]), /cut off/);
  const bomb = Buffer.from([
    0x89, 0x50, 0x4e, 0x47, 13, 10, 26, 10, 0, 0, 0, 13, 0x49, 0x48, 0x44, 0x52, 0, 0, 0x75, 0x30, 0, 0, 0x75, 0x30,
  ]);
  await refuse('bomb.png', bomb, /more pixels than can be opened/);
  const whole = await pictureFile(page, rendered(3, 960));
  await refuse('half.jpg', whole.buffer.subarray(0, 700), /could not open|cut off/);
  await input(page).setInputFiles(await pictureFile(page, rendered(4, 960, 'no-card')));
  await expect(page.getByText(/^No card was found/)).toBeVisible({ timeout: 30_000 });
  await expect(page.getByRole('button', { name: /on record/ })).toHaveCount(0);
});
