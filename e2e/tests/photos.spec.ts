import { readFileSync } from 'node:fs';
import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, keptOnDevice, signUp, test } from '../fixtures';

/** A picture of one colour as a camera writes it, lying on its side, with the place it was taken at noted in it. */
async function cameraFile(page: Page, colour: string, name = 'bridge.jpg') {
  const encoded = await page.evaluate((fill) => {
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width: 400, height: 300 });
    const context = canvas.getContext('2d')!;
    context.fillStyle = fill;
    context.fillRect(0, 0, 400, 300);
    return canvas.toDataURL('image/jpeg', 0.9).split(',')[1]!;
  }, colour);
  const picture = Buffer.from(encoded, 'base64');
  // Orientation 6: turned a quarter; then a description that names a place [Exif 2.3, 4.6].
  const place = 'GPS 38.7 -9.1 Harbour lane';
  const entries = Buffer.from(
    `4d4d002a00000008 0002 0112 0003 00000001 00060000 010e 0002 ${(place.length + 1).toString(16).padStart(8, '0')} 00000026 00000000`.replaceAll(
      ' ',
      '',
    ),
    'hex',
  );
  const body = Buffer.concat([Buffer.from('Exif\0\0'), entries, Buffer.from(`${place}\0`)]);
  const length = Buffer.from([(body.length + 2) >> 8, (body.length + 2) & 255]);
  const noted = [picture.subarray(0, 2), Buffer.from([0xff, 0xe1]), length, body, picture.subarray(2)];
  return { name, mimeType: 'image/jpeg', buffer: Buffer.concat(noted) };
}

const choose = async (page: Page, file: Awaited<ReturnType<typeof cameraFile>> | string) =>
  page.getByLabel('Picture to keep').setInputFiles(file);
const stored = (page: Page) =>
  page.evaluate(async () => {
    const { photos } = (await (await fetch('/api/v1/photos')).json()) as {
      photos: { instrumentId: string; photo: string; width: number; height: number }[];
    };
    return Promise.all(
      photos.map(async ({ instrumentId, photo, width, height }) => {
        const answer = await fetch(`/api/v1/instruments/${instrumentId}/photos/${photo}`);
        return { width, height, text: new TextDecoder('latin1').decode(await answer.arrayBuffer()) };
      }),
    );
  });

test('the bridge is photographed as it is looked at, without a connection; a year’s pictures stand side by side, and one is removed', async ({
  page,
  context,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Look it over/ }).click();
  await page.getByRole('link', { name: /^What was found/ }).click();
  await page.getByRole('link', { name: /^Bridge, upright/ }).click();
  await page.getByRole('button', { name: 'Look again' }).click();
  await expect(page.getByRole('button', { name: 'Add a photo' })).toBeVisible();
  await keptOnDevice(page);
  const before = await cameraFile(page, '#8a5a2b');
  const after = await cameraFile(page, '#3c6e71', 'later.jpg');
  await context.setOffline(true);
  await choose(page, before);
  await expect(page.getByRole('img', { name: 'Photo that goes with this look' })).toBeVisible();
  await expectAccessible(page, 'a look with a photo');
  await page.getByRole('button', { name: /^Good / }).click();
  await page.getByRole('link', { name: /^Photos. One on record/ }).click();
  await expect(page.getByRole('img', { name: /^Bridge, upright, \d/ })).toBeVisible();
  await expect(page.getByText('Waits on this device, sent later.')).toBeVisible();
  await page.reload();
  await expect(page.getByText('Waits on this device, sent later.')).toBeVisible();

  await context.setOffline(false);
  await expect(page.getByText('Waits on this device, sent later.')).toHaveCount(0, { timeout: 30_000 });
  const [first] = await stored(page);
  expect(first).toMatchObject({ width: 300, height: 400 });
  expect(first!.text).not.toMatch(/Exif|GPS|Harbour/);

  // The same once more is the same picture; another stands beside it.
  await choose(page, before);
  await expect(page.getByText('This very picture is on record already.')).toBeVisible();
  await choose(page, after);
  await expect(page.getByRole('img', { name: /^Bridge, upright, \d/ })).toHaveCount(2);
  await expect(page.getByText(/^2 photos of the household, 0.0 of 500 MB/)).toBeVisible();
  await expectAccessible(page, 'two photos side by side');
  await page
    .getByRole('button', { name: /^Larger: Bridge, upright/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Bridge, upright, \d/ })).toHaveCount(1);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('img', { name: /^Bridge, upright, \d/ })).toHaveCount(2);
  expect(await stored(page)).toHaveLength(2);
  await page
    .getByRole('button', { name: /^Larger: Bridge, upright/ })
    .last()
    .click();
  await page.getByRole('button', { name: 'Remove', exact: true }).click();
  await expect(page.getByRole('img', { name: /^Bridge, upright, \d/ })).toHaveCount(1);
  await expect.poll(async () => (await stored(page)).length, { timeout: 40_000 }).toBe(1);

  // All of them as a file, and in again where one is missing.
  await page.goto('/year/records');
  const saved = page.waitForEvent('download');
  await page.getByRole('button', { name: 'Save the photos' }).click();
  const buffer = readFileSync(await (await saved).path());
  const zip = { name: 'tembrin-photos.zip', mimeType: 'application/zip', buffer };
  await page.getByLabel('File to bring in').setInputFiles(zip);
  await expect(page.getByText('Nothing new came in: one photo was here already.')).toBeVisible();
});

test('what cannot be kept is said: no picture, a drawing, HEIC', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Cello');
  await page.goto('/kit');
  await page
    .getByRole('link', { name: /^Cello/ })
    .first()
    .click();
  await page.getByRole('link', { name: /^Looked over/ }).click();
  await page.getByRole('link', { name: /^Photos/ }).click();
  await expect(page.getByText('No photo yet')).toBeVisible();
  await expectAccessible(page, 'no photo yet');
  const file = (name: string, text: string) => ({ name, mimeType: 'image/jpeg', buffer: Buffer.from(text, 'latin1') });
  for (const [chosen, said] of [
    [file('note.jpg', 'only words'), /That is no picture/],
    [file('drawing.jpg', '<svg xmlns="http://www.w3.org/2000/svg" onload="alert(1)"/>'), /a drawing, not a photograph/],
    [file('phone.heic', '\0\0\0\x18ftypheic\0\0\0\0'), /does not open HEIC/],
    [file('cut.jpg', '\xff\xd8\xff\xe0'), /cut off/],
  ] as const) {
    await page.getByLabel('Picture to keep').setInputFiles(chosen);
    await expect(page.getByRole('alert')).toHaveText(said);
  }
  expect(await stored(page)).toHaveLength(0);
});
