import { addInstrument, expect, expectAccessible, signUp, test } from '../fixtures';

test('a violist with a year-old set: told by the body, and the strings are at their end', async ({ page }) => {
  await signUp(page);
  await page.getByRole('button', { name: 'Viola', exact: true }).click();
  await expect(page.getByRole('radiogroup', { name: 'Size' })).toHaveCount(0);
  await page.getByRole('radio', { name: '16 1/2 in, 419 mm' }).click();
  await page.getByRole('radio', { name: 'Half an hour' }).click();
  await page
    .getByRole('radiogroup', { name: 'When were its strings fitted?' })
    .getByRole('radio', { name: 'A year' })
    .click();
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await expect(page.getByText('Viola 16 1/2 in')).toBeVisible();
  await expect(page.getByRole('link', { name: /^Strings: Now\./ })).toBeVisible();
  await page.getByRole('link', { name: /^Strings: Now\./ }).click();
  await page.getByRole('link', { name: /^What is on/ }).click();
  await expect(page.getByText(/387 mm from nut to bridge/)).toBeVisible();
});

test('a guitarist with seven strings: seven are listed, and a set of seven goes on', async ({ page }) => {
  await signUp(page);
  await page.getByRole('button', { name: 'Guitar', exact: true }).click();
  await page.getByRole('radio', { name: 'Electric guitar' }).click();
  await page.getByRole('radio', { name: '7 strings, B1 to E4' }).click();
  await page.getByRole('radio', { name: 'Left-handed' }).click();
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await expect(page.getByText('Electric guitar, 7 strings, left-handed')).toBeVisible();
  await page.getByRole('link', { name: /^Strings:/ }).click();
  await page.getByRole('link', { name: /^What is on/ }).click();
  await expect(page.getByRole('list', { name: 'Strings' }).getByRole('listitem')).toHaveCount(7);
  await page.getByRole('link', { name: /^How it is strung/ }).click();
  await expect(page.getByLabel('Notes, the lowest string first')).toHaveValue('B1 E2 A2 D3 G3 B3 E4');
  await page.getByRole('button', { name: 'Give each string its length' }).click();
  // A fan of frets: the lowest string is longer than the highest.
  await page.getByLabel('Length of B1').fill('686');
  await page.getByLabel('Length of E4').fill('20');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByRole('alert')).toHaveText(/at least 40 mm/);
  await page.getByLabel('Length of E4').fill('648');
  // It gets dark meanwhile: the app with it, and what was typed stays.
  const ground = () => page.evaluate(() => getComputedStyle(document.body).backgroundColor);
  const byDay = await ground();
  await page.emulateMedia({ colorScheme: 'dark' });
  await expect.poll(ground).not.toBe(byDay);
  await expect(page.getByLabel('Length of B1')).toHaveValue('686');
  await expect(page.getByLabel('Length of E4')).toHaveValue('648');
  await expectAccessible(page, 'as they are');
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
});

test('a cellist with two bows: one tap takes the other, and what is recorded is of that one', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Cello');
  await expect(page.getByRole('radiogroup', { name: 'Bow tonight' })).toHaveCount(0);
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Cello: / }).click();
  await page.getByRole('link', { name: /^Bows/ }).click();
  await page.getByRole('button', { name: 'Add a bow' }).click();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByText('Give it a name.')).toBeVisible();
  await page.getByLabel('Name').fill('Pernambuco');
  await page
    .getByRole('radiogroup', { name: 'When was it last rehaired?' })
    .getByRole('radio', { name: '3 months' })
    .click();
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('link', { name: /^Pernambuco: Well/ })).toBeVisible();
  await expect(page.getByRole('link', { name: /^Cello’s own bow: .*In hand/ })).toBeVisible();
  await expectAccessible(page, 'as they are');

  await page.getByRole('link', { name: 'Now', exact: true }).click();
  const tonight = page.getByRole('radiogroup', { name: 'Bow tonight' });
  await tonight.getByRole('radio', { name: 'Pernambuco' }).click();
  await expect(page.getByRole('link', { name: /^Bow hair, Pernambuco: Well\. Rehaired 3 months ago/ })).toBeVisible();
  await page.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Rosined just now' }).click();
  await tonight.getByRole('radio', { name: 'Cello’s own bow' }).click();
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Cello: / }).click();
  await page.getByRole('link', { name: /^Bows/ }).click();
  await page.getByRole('link', { name: /^Pernambuco/ }).click();
  await expect(
    page.getByRole('link', { name: /^Rosin: Well\. 0 min of bowing since the last rosining/ }),
  ).toBeVisible();
  await page.getByRole('link', { name: /^Rosin: Well/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Rosin' })).toBeVisible();
  await expect(page.getByText('Pernambuco')).toBeVisible();
});
