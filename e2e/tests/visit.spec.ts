import { addInstrument, expect, expectAccessible, picture, signUp, test } from '../fixtures';

test('a violinist’s brief for a rehair: sent under a link, answered by the workshop without scripts, taken into the log and the costs', async ({
  page,
  browser,
}) => {
  await page.setViewportSize({ width: 390, height: 844 });
  await signUp(page);
  await addInstrument(page, 'Violin');
  // Whom to call, written down.
  await page.goto('/year/contacts');
  await page.getByRole('button', { name: 'Write somebody down' }).click();
  const sheet = page.getByRole('dialog');
  await page.getByLabel('Name', { exact: true }).fill('The bench at the quay');
  await page.getByLabel('Phone').fill('+44 1632 960123');
  await sheet.getByRole('button', { name: 'Write somebody down' }).click();
  await expect(page.getByRole('link', { name: 'Call The bench at the quay, +44 1632 960123' })).toBeVisible();
  await expectAccessible(page, 'contacts');

  // A photograph of where it buzzes.
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Violin/ }).click();
  await page.getByRole('link', { name: /^Looked over/ }).click();
  await page.getByRole('link', { name: /^Photos/ }).click();
  const [chooser] = await Promise.all([
    page.waitForEvent('filechooser'),
    page.getByRole('button', { name: 'Add a photo' }).click(),
  ]);
  await chooser.setFiles(await picture(page, 'sienna'));
  await expect(page.getByText(/^One photo of the household/)).toBeVisible();

  // The brief, and what is to be done.
  await page.getByRole('link', { name: 'Kit', exact: true }).click();
  await page.getByRole('link', { name: /^Violin/ }).click();
  await page.getByRole('link', { name: /^Brief for the workshop/ }).click();
  await page.getByLabel('Headline').fill('A buzz, and a rehair');
  await page.getByRole('checkbox', { name: 'Rehair' }).click();
  await page.getByLabel('Something besides').fill('Find the buzz');
  await page.getByRole('button', { name: 'Add it' }).click();
  await expect(page.getByRole('checkbox', { name: 'Find the buzz' })).toBeChecked();
  await page.getByRole('button', { name: 'On to the visit' }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Visit: Violin' })).toBeVisible();
  await expect(page.getByRole('img', { name: 'Where it stands: planned' })).toBeVisible();
  await page.getByRole('radio', { name: 'The bench at the quay' }).click();
  await expect(page.getByRole('link', { name: /^Call The bench at the quay/ })).toBeVisible();
  await page.getByRole('button', { name: 'Make a link for the workshop' }).click();
  await expect(page.getByRole('img', { name: 'Where it stands: asked' })).toBeVisible();
  await expectAccessible(page, 'a visit');
  const link = await page.getByText(/\/workshop\//).textContent();

  // The workshop: another browser, with scripts off.
  const outside = await browser.newContext({ javaScriptEnabled: false, viewport: { width: 390, height: 844 } });
  const bench = await outside.newPage();
  await bench.goto(link!);
  await expect(bench.getByRole('heading', { name: 'A buzz, and a rehair' })).toBeVisible();
  await expect(bench.getByRole('img', { name: 'Violin, photograph 1 of 1' })).toBeVisible();
  expect((await bench.request.get(`${link}/photo/0/0`)).headers()['content-type']).toBe('image/jpeg');
  await bench.getByText('It is done', { exact: true }).click();
  const done = bench.locator('form').filter({ has: bench.getByRole('button', { name: 'Send what was done' }) });
  await done.getByLabel('Cost: Rehair').fill('1,234');
  await done.getByLabel('Rehair', { exact: true }).check();
  await done.getByLabel('Besides, 1', { exact: true }).fill('Glued the open seam');
  await done.getByLabel('Cost: besides, 1').fill('30');
  await done.getByLabel('Currency').selectOption('EUR');
  await done.getByLabel('Your name').fill('A. Luthier');
  await done.getByRole('button', { name: 'Send what was done' }).click();
  await expect(bench.getByRole('alert')).toContainText('more than one way');
  await done.getByLabel('Cost: Rehair').fill('65');
  await done.getByRole('button', { name: 'Send what was done' }).click();
  await expect(bench.getByRole('status')).toHaveText('Your answer has arrived.');
  await expect(bench.getByText('Glued the open seam, €30.00')).toBeVisible();
  await outside.close();
  // With scripts on, only to look it over.
  const looking = await browser.newPage();
  await looking.goto(link!);
  await expectAccessible(looking, 'the page of the workshop');
  await looking.close();

  // Taken over line by line.
  await page.reload();
  await expect(page.getByRole('heading', { name: 'What the workshop answered' })).toBeVisible();
  await expect(page.getByRole('checkbox', { name: 'Bow rehaired' })).toBeChecked();
  await page.getByRole('checkbox', { name: /^Glued the open seam/ }).click();
  await page.getByRole('button', { name: 'Put 2 entries on record' }).click();
  await expect(page.getByText('On record', { exact: true }).first()).toBeVisible();
  await expect(page.getByText('Left out', { exact: true })).toBeVisible();
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await page.getByRole('link', { name: /^What it costs/ }).click();
  await expect(page.getByText(/^€65 was paid in the last twelve months/)).toBeVisible();

  // Brought and fetched back: nothing is asked meanwhile.
  await page.goBack();
  await page.getByRole('link', { name: /^Visits to the workshop/ }).click();
  await page.getByRole('link', { name: /^Visit: Violin/ }).click();
  await page.getByRole('button', { name: 'It was brought' }).click();
  await page.getByRole('button', { name: 'It was brought' }).click();
  await expect(page.getByRole('img', { name: 'Where it stands: brought' })).toBeVisible();
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await expect(page.getByRole('heading', { name: 'At the workshop' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start playing' })).toHaveCount(0);
  await expectAccessible(page, 'at the workshop');
  await page.getByRole('button', { name: 'It is back' }).click();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeVisible();
});
