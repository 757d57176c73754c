/** What was told of something done is off the screen again. */
async function quiet(page) {
  const undo = page.getByRole('button', { name: 'Undo' });
  await undo.waitFor();
  await undo.waitFor({ state: 'hidden', timeout: 20_000 });
}

/** The cupboard: who has what, the day's work; an instrument lent, and back again. */
export const lending = async ({ page, take, link }) => {
  const button = (name) => page.getByRole('button', { name, exact: true });
  await link('Kit').click();
  await link(/^Curlew/).click();
  await link(/^Lending/).click();
  await page.getByRole('radio', { name: 'Somebody else' }).click();
  await page.getByLabel('Their name').fill('Oskar');
  await page.getByLabel('Where they are reached').fill('+351 210 000 000');
  await page.getByLabel('Also goes along').fill('Tuner');
  await page.getByLabel('Goes out on').fill('2026-09-07');
  await page.getByLabel('To be back on').fill('2026-11-20');
  await page.getByText('To whom').scrollIntoViewIfNeeded();
  await take('loan-lend');
  await button('Lend it').click();
  await page.getByText('Lent to Oskar').first().waitFor();
  await quiet(page);
  await page.getByText('Lent to Oskar').first().scrollIntoViewIfNeeded();
  await take('loan-out');
  await page.goto('/kit/cupboard');
  await page.getByRole('list', { name: 'Cupboard' }).waitFor();
  await take('cupboard');
  await page.goto('/kit');
  await link(/^Curlew/).click();
  await link(/^Lending/).click();
  await page.getByRole('checkbox', { name: 'Tuner' }).click();
  await button('It is back').click();
  await page.getByText('What is different').waitFor();
  await quiet(page);
  await page.getByText('What is different').scrollIntoViewIfNeeded();
  await take('loan-back');
};
