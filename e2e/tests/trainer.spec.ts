import type { Page } from '@playwright/test';
import { addInstrument, expect, signUp, test } from '../fixtures';

test.beforeEach(async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Bench' }).click();
});

const open = (page: Page, drill: string) => page.getByRole('link', { name: new RegExp(`^${drill}`) }).click();
const button = (page: Page, name: string) => page.getByRole('button', { name, exact: true });

/** Turns one way until the drawing says what is wanted. */
async function turnUntil(page: Page, way: 'Tighter' | 'Slacker', wanted: RegExp): Promise<void> {
  const bow = page.getByRole('img', { name: /^A bow/ });
  for (let turn = 0; turn < 40; turn++) {
    if (wanted.test((await bow.getAttribute('aria-label')) ?? '')) return;
    await button(page, way).click();
  }
  throw new Error(`Never ${wanted}`);
}

test('turn the screw: tighten, put right what was left too tight, slacken; the bow tells its state', async ({
  page,
}) => {
  await open(page, 'Turn the screw');
  await expect(page.getByText('The hair lies loose.')).toBeVisible();
  await turnUntil(page, 'Slacker', /nothing/).catch(() => undefined);
  await expect(page.getByText(/screw is about to leave/)).toBeVisible();
  await turnUntil(page, 'Tighter', /gap is 7\.\d mm/);
  await button(page, 'That is right').click();
  await expect(page.getByText(/^Right: the gap is 7/)).toBeVisible();
  await button(page, 'Go on').click();

  await expect(page.getByText(/too tight|bends outwards/)).toBeVisible();
  await button(page, 'That is right').click();
  await expect(page.getByText(/^Not yet: the gap is/)).toBeVisible();
  await button(page, 'Go on').click();

  await expect(page.getByRole('heading', { name: 'Playing is over. Slacken it for the case.' })).toBeVisible();
  await turnUntil(page, 'Slacker', /lies loose/);
  await button(page, 'That is right').click();
  await button(page, 'Go on').click();
  await expect(page.getByText('2 of 3')).toBeVisible();
  await button(page, 'Back to the bench').click();
  await expect(page.getByRole('link', { name: /^Turn the screw/ })).toContainText('Last: 2 of 3');
});

test('the round in order: a step tapped too soon is counted as missed, and the bench shows it to a parent', async ({
  page,
}) => {
  await open(page, 'The round in order');
  for (const [step, soon] of [
    ['Slacken the bow', 'Into the case'],
    ['Wipe the stick'],
    ['Wipe the strings', 'Close and fasten'],
    ['Wipe the rosin zones'],
    ['Wipe where hands were'],
    ['Shoulder rest off'],
    ['Into the case'],
    ['Close and fasten'],
  ] as const) {
    if (soon) {
      await button(page, soon).click();
      await expect(page.getByText(/^Not yet\. Before that:/)).toBeVisible();
    }
    await button(page, step).click();
  }
  await button(page, 'Go on').click();
  await expect(page.getByText('6 of 8')).toBeVisible();
  await expect(page.getByText('Slacken the bow')).toBeVisible();
  await button(page, 'Back to the bench').click();
  await expect(page.getByRole('table', { name: 'Steps missed lately' })).toContainText('Slacken the bow');
});

test('before the lid shuts: what the drawing shows to be wrong is marked, and nothing else', async ({ page }) => {
  await open(page, 'Before the lid shuts');
  const drawing = page.getByRole('img', { name: /^An open case/ });
  const seen = (await drawing.getAttribute('aria-label')) ?? '';
  // A tap on a thing in the drawing marks it, as its button does; another takes the mark off.
  const { width, height } = (await drawing.boundingBox())!;
  const onRest = { position: { x: width * 0.61, y: height * 0.6 } };
  const rest = page.getByRole('checkbox', { name: 'Shoulder rest' });
  await drawing.click(onRest);
  await expect(rest).toBeChecked();
  await drawing.click(onRest);
  await expect(rest).not.toBeChecked();
  const signs: [RegExp, string][] = [
    [/rest sits on/, 'Shoulder rest'],
    [/beside its holder/, 'Bow holder'],
    [/pulled away/, 'Bow hair'],
    [/pencil lies beside/, 'Pencil pocket'],
    [/strings are white/, 'Strings'],
    [/rosin lies beside/, 'Rosin box'],
  ];
  const wrong = signs.filter(([sign]) => sign.test(seen));
  expect(wrong.length).toBeGreaterThanOrEqual(2);
  const [[, forgotten], ...noticed] = wrong as [[RegExp, string], ...[RegExp, string][]];
  for (const [, name] of noticed) await page.getByRole('checkbox', { name, exact: true }).click();
  await button(page, 'Shut the lid').click();
  expect(forgotten).toBeTruthy();
  await button(page, 'Go on').click();
  await expect(page.getByText('5 of 6')).toBeVisible();
  await button(page, 'Once more').click();
  await expect(button(page, 'Shut the lid')).toBeVisible();
});

test('the missed zone: named right or wrong, with the reason to wipe it', async ({ page }) => {
  await open(page, 'The missed zone');
  for (let at = 1; at <= 3; at++) {
    await expect(page.getByText(`${at} of 3`)).toBeVisible();
    await page.getByRole('radio', { name: 'Strings', exact: true }).click();
    await expect(page.getByText(/^(Right|It was): /)).toBeVisible();
    await button(page, 'Go on').click();
  }
  await expect(page.getByText(/^[01] of 3$/)).toBeVisible();
});
