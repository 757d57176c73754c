import { PHONE } from './visit.mjs';

/** What was told of something done is off the screen again. */
async function quiet(page) {
  await page.getByRole('button', { name: /^(Undo|Close)$/ }).waitFor({ state: 'hidden', timeout: 20_000 });
}

/** A visit to the workshop from brief to what came back, and the passport. */
export async function workshop({ page, button, link, heading, take, now }) {
  await now();
  await link('Kit').click();
  await link(/^Heron/)
    .first()
    .click();
  await link(/^Brief for the workshop/).click();
  await page.getByLabel('Headline').fill('A buzz, and a rehair');
  await page.getByLabel('Wishes and limits').fill('Back by Friday. Call before more than 150.');
  await page.getByRole('checkbox', { name: 'Rehair' }).click();
  await page.getByLabel('Something besides').fill('Find the buzz on the G string');
  await button('Add it').click();
  await take('brief');
  await button('On to the visit').click();
  await heading(/^Visit/);
  await page.getByRole('radio', { name: 'Gull and Halyard' }).click();
  await button('Make a link for the workshop').click();
  await page.getByText(/\/workshop\//).waitFor();
  await quiet(page);
  await take('visit-asked');
  const address = await page.getByText(/\/workshop\//).textContent();
  const outside = await page
    .context()
    .browser()
    .newContext({ viewport: PHONE, locale: 'en-GB', javaScriptEnabled: false });
  const bench = await outside.newPage();
  await bench.goto(address);
  await take('workshop-page', bench);
  await bench.getByText('It is done', { exact: true }).click();
  const form = bench.locator('form').filter({ has: bench.getByRole('button', { name: 'Send what was done' }) });
  await form.getByLabel('Rehair', { exact: true }).check();
  await form.getByLabel('Cost: Rehair').fill('65');
  await form.getByLabel('Besides, 1', { exact: true }).fill('Glued the open seam');
  await form.getByLabel('Cost: besides, 1').fill('30');
  await form.getByLabel('Your name').fill('M. Halyard');
  await form.getByLabel('Currency').selectOption('EUR');
  await form
    .getByLabel('What the player should know')
    .fill('The seam had opened at the lower bout. Keep it above 45 %.');
  await form.locator('legend').scrollIntoViewIfNeeded();
  await take('workshop-answers', bench);
  await form.getByRole('button', { name: 'Send what was done' }).click();
  await bench.getByRole('status').waitFor();
  await outside.close();
  await page.reload();
  await heading('What the workshop answered');
  await quiet(page);
  await take('visit-answered');
  await button('It was brought').click();
  await button('It was brought').click();
  await page.getByRole('img', { name: /brought/ }).waitFor();
  await now();
  await heading('At the workshop');
  await quiet(page);
  await take('at-workshop');
  await button('It is back').click();
  await link('Kit').click();
  await link(/^Heron/)
    .first()
    .click();
  await link(/^Passport/).click();
  await heading(/^Passport/);
  await quiet(page);
  await take('passport');
  await link(/^Its state in photographs/).click();
  await heading(/^Its state/);
  await quiet(page);
  await take('state');
}
