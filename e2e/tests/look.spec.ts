import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, openDemo, putOnStand, signUp, test } from '../fixtures';

const knots = (page: Page) => page.getByRole('progressbar', { name: 'Look-over' });
const at = (page: Page, behind: number) => expect(knots(page)).toHaveAttribute('aria-valuenow', String(behind));
const answer = (page: Page, which: 'Good' | 'Watch it' | 'Act') =>
  page.getByRole('button', { name: new RegExp(`^${which} `) }).click();

test('a violinist after a knock: three looks, what is found forbids playing, a line, and it is mended', async ({
  page,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Look it over/ }).click();
  await page.getByRole('button', { name: 'It fell or was knocked' }).click();
  await expect(page.getByText(/^It fell or was knocked: today\./)).toBeVisible();
  await expectAccessible(page, 'before a look-over');
  await page.getByRole('button', { name: 'Begin' }).click();
  // After a knock: the wood, the bridge or its place, and the post.
  await expect(page.getByRole('heading', { level: 1, name: 'Is the wood whole?' })).toBeFocused();
  await answer(page, 'Good');
  await at(page, 1);
  await page.getByRole('button', { name: 'Undo: outside' }).click();
  await at(page, 0);
  await answer(page, 'Good');
  await at(page, 1);
  await page.getByRole('button', { name: 'Hands-busy view' }).click();
  await expect(page.getByRole('button', { name: /Does the sound post stand.*Tap anywhere: good/ })).toBeVisible();
  await expectAccessible(page, 'a look for full hands');
  await page.getByRole('button', { name: 'Usual view' }).click();
  await expectAccessible(page, 'a look');
  await page.getByRole('button', { name: 'Add a note' }).click();
  await page.getByLabel('Note').fill('It rattles inside.');
  await answer(page, 'Act');
  await at(page, 2);
  await page.getByRole('button', { name: 'Skip' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Looked over' })).toBeVisible();
  await expect(
    page.getByRole('link', { name: /^Sound post It rattles inside\. Slacken the strings, do not play/ }),
  ).toBeVisible();
  await expect(page.getByText(/^The visit to the workshop: wanted by/)).toBeVisible();
  await expectAccessible(page, 'what was found');
  await page.getByRole('button', { name: 'Done' }).click();
  await expect(page.getByRole('alert')).toContainText('Do not play it: sound post.');
  await page.getByRole('link', { name: /^Found and open\. Sound post \(act\)/ }).click();
  await expect(page.getByRole('img', { name: 'Violin: 1 found and open' })).toBeVisible();
  await expectAccessible(page, 'findings');
  await page
    .getByRole('link', { name: /^Sound post/ })
    .first()
    .click();
  await expect(page.getByRole('listitem').filter({ hasText: 'It rattles inside.' })).toBeVisible();
  await expectAccessible(page, 'the line of a look');
  await page.getByRole('button', { name: 'Mended' }).click();
  await expect(page.getByText('Mended. It is on record.')).toBeVisible();
  await expect(page.getByText(/by the player, mended/)).toBeVisible();
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeEnabled();
  await expect(page.getByText(/Do not play it/)).toHaveCount(0);
  // A look-over that is retracted takes what was seen in it along, and brings it back.
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Violin/ }).click();
  const seen = page.getByRole('listitem').filter({ hasText: 'Sound post: act' });
  await expect(seen).toBeVisible();
  await page.getByRole('button', { name: /^Retract: Looked over: a quick look/ }).click();
  await expect(seen).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(seen).toBeVisible();
});

test('a parent with a child’s bow: the yearly look, half the hair is gone, and another bow is cheaper', async ({
  page,
}) => {
  await openDemo(page);
  await putOnStand(page, 'Wren');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Look it over/ }).click();
  await expect(page.getByRole('radio', { name: 'A child' })).toBeChecked();
  await page.getByRole('radio', { name: /^The bow/ }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  await page.getByLabel('Middle, %').fill('50');
  await expect(page.getByText('By the figure: act.')).toBeVisible();
  await answer(page, 'Act');
  await at(page, 1);
  await page.getByRole('button', { name: 'Stop here' }).click();
  await expect(page.getByText('Rehair, or another bow.', { exact: true })).toBeVisible();
  await expect(page.getByRole('heading', { name: 'Rehair, or another bow?' })).toBeVisible();
  await page.getByLabel(/^Such a bow costs/).fill('a lot');
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByRole('alert')).toContainText('Write the price as a number.');
  await page.getByLabel(/^Such a bow costs/).fill('10');
  await page.getByRole('button', { name: 'Compare' }).click();
  await expect(page.getByText(/^Another bow is cheaper: /)).toBeVisible();
  await expectAccessible(page, 'rehair or another bow');
});

test('a guitarist in dry air is told the air first; a harpist goes through all of it in spring, action and all', async ({
  page,
}) => {
  test.setTimeout(150_000);
  await openDemo(page);
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page
    .getByRole('link', { name: /^Plover/ })
    .first()
    .click();
  await page.getByRole('link', { name: /^Looked over/ }).click();
  await expect(
    page.getByText(/^The wood is at rest at \d+ %: too dry\. Humidify for days first\./).first(),
  ).toBeVisible();
  await expect(page.getByText('The air first; then look again.').first()).toBeVisible();

  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await putOnStand(page, 'Tern');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Look it over/ }).click();
  await page.getByRole('radio', { name: /^All of it/ }).click();
  await page.getByRole('button', { name: 'Begin' }).click();
  const looks = Number(await knots(page).getAttribute('aria-valuemax'));
  expect(looks).toBeGreaterThanOrEqual(5);
  const asked: string[] = [];
  for (let behind = 0; behind < looks; behind++) {
    await at(page, behind);
    asked.push(await page.getByRole('heading', { level: 1 }).innerText());
    // The levers want regulating; all else is as it should be.
    await answer(page, asked.at(-1) === 'Do the levers grip cleanly?' ? 'Watch it' : 'Good');
  }
  expect(asked).toEqual(expect.arrayContaining(['Does the soundboard hold?', 'Do the levers grip cleanly?']));
  await expect(page.getByRole('heading', { level: 1, name: 'Looked over' })).toBeVisible();
  await expect(page.getByText(new RegExp(`^${looks} looks in `))).toBeVisible();
  await expect(page.getByRole('heading', { name: 'What it changes' })).toBeVisible();
});

test('the gauge: a card is matched once, kept for the device, and asked for again at another zoom', async ({
  page,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await page.getByRole('link', { name: /^Gauge at true size/ }).click();
  const outline = page.getByRole('img', { name: 'Outline of a bank card' });
  const before = (await outline.boundingBox())!.width;
  await page.getByRole('button', { name: '+10 Much wider' }).click();
  await page.getByRole('button', { name: '− Narrower' }).click();
  await page.keyboard.press('ArrowRight');
  expect((await outline.boundingBox())!.width).toBeCloseTo(before + 10, 0);
  await expectAccessible(page, 'matching a card');
  await page.getByRole('button', { name: 'It matches' }).click();
  // A violin’s gap of 7 mm, drawn as the card has it: 53.98 mm are as wide as the outline.
  const pxPerMm = (before + 10 - 4) / 53.98;
  const bar = page.getByRole('img', { name: 'Bow gap, 7 mm' }).locator('rect');
  expect((await bar.boundingBox())!.height).toBeCloseTo(7 * pxPerMm, 0);
  await expectAccessible(page, 'the gauge');
  await page.getByRole('radio', { name: 'Right angle' }).click();
  await expect(page.getByRole('img', { name: 'Right angle' })).toBeVisible();
  await page.reload();
  await expect(page.getByRole('radio', { name: 'Ruler' })).toBeVisible();
  await page.evaluate(() => {
    const scale = JSON.parse(localStorage.getItem('tembrin-gauge')!);
    localStorage.setItem('tembrin-gauge', JSON.stringify({ ...scale, ratio: 2.5 }));
  });
  await page.reload();
  await expect(page.getByRole('alert')).toContainText('The zoom or the screen has changed');
});
