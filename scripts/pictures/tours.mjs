import { renderedPhoto, calendarFile, diaryFile, loggerFile } from './files.mjs';

/** From before playing through the closing rounds, residue, the bench and the kit. */
export async function phone({ page, button, link, heading, take, stand, now, closing }) {
  await take('now-before');
  await link(/^Strings/).click();
  await button('Fitted new strings').waitFor();
  await take('working-strings');
  await now();
  await stand('Bittern');
  await link(/^Before you play/).click();
  await heading('Before you play');
  await take('opening');
  await button('Start playing').click();
  await page.getByRole('timer').waitFor();
  await page.waitForTimeout(1500);
  await take('now-playing');
  await button('Finish').click();
  await button('Later').click();
  for (const [name, steps, picture] of [
    ['Heron', 3, 'closing-violin'],
    ['Plover', 1, 'closing-guitar'],
    ['Tern', 1, 'closing-harp'],
  ]) {
    await stand(name);
    await closing(steps);
    await take(picture);
    await button('Later').click();
  }
  await stand('Bittern');
  await button('Go on with the closing round').click();
  await page.getByRole('progressbar').waitFor();
  for (let step = 0; step < 5; step++) {
    await button('Done').click();
    await page.waitForTimeout(250);
  }
  await take('closing-cello');
  await button('Later').click();
  await stand('Wren');
  await link(/^Residue/).click();
  await page.getByRole('radiogroup', { name: 'Zones' }).waitFor();
  await take('residue');
  await link('Bench').click();
  await link(/^What may I use/).click();
  await page.getByRole('radio', { name: 'Wound strings' }).click();
  await page.getByRole('radio', { name: /^Spirit/ }).click();
  await take('may-use');
  await button('Back').click();
  await link(/^Turn the screw/).click();
  for (let turn = 0; turn < 10; turn++) await button('Tighter').click();
  await take('drill-screw');
  await button('Back').click();
  await link(/^Before the lid shuts/).click();
  await heading('Before the lid shuts');
  await take('drill-case');
  await link('Kit').click();
  await link(/^Wren: (Now|Soon)\. Violin 1\/2/).waitFor({ timeout: 60_000 });
  await take('kit');
  await link(/^Wren/).click();
  await heading('History');
  await take('instrument');
  await link(/^Set-up sheet/).click();
  await heading('Set-up sheet');
  await take('set-up');
}

/** Rooms, wood, what to do, and the tools of hygrometers. */
export async function air({ page, button, link, heading, take }) {
  const places = () => page.getByRole('link', { name: 'Air', exact: true }).click();
  await places();
  await page.getByRole('list', { name: 'Rooms and cases' }).waitFor({ timeout: 60_000 });
  await take('air');
  await link(/^Over the ovens/).click();
  const chart = page.getByRole('slider', { name: /a year of air/ });
  await chart.waitFor();
  await page.waitForTimeout(1500);
  await chart.press('End');
  for (let day = 0; day < 20; day++) await chart.press('ArrowLeft');
  await take('room');
  await places();
  await link(/^Reading room/).click();
  await link(/^Bittern:/).click();
  await heading('The working');
  await take('wood');
  await button('What to do').click();
  await heading('Airing');
  await take('what-to-do');
  await places();
  await link(/^Hygrometers/).click();
  await link(/^Logger on the shelf/).click();
  await button('Check it over salt').click();
  await page.getByLabel('It shows, in %').fill('73');
  await page.evaluate(() => document.activeElement?.blur());
  await page.mouse.move(200, 300);
  await page.mouse.wheel(0, -4000);
  await take('salt-check');
  await button('Back').click();
  await button('Import a file').click();
  await page
    .getByLabel('The logger’s file')
    .setInputFiles({ name: 'shelf.csv', mimeType: 'text/csv', buffer: loggerFile() });
  await page.getByText('So it would be read').waitFor();
  await page.getByText('So it would be read').scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 300);
  await take('import');
  await places();
  await link(/^Moving between climates/).click();
  await page.getByRole('radiogroup', { name: 'From' }).getByRole('radio', { name: 'Harbour store' }).click();
  await heading(/steps?, done by/).catch(() => heading('Nothing to arrange'));
  await page.getByRole('heading', { level: 2 }).first().scrollIntoViewIfNeeded();
  await page.mouse.wheel(0, 400);
  await take('moving');
  await places();
  await link(/^On the way/).click();
  await heading('A parked car');
  await take('keeping');
}

/** Looking it over, what was found, and measuring with this device. */
export async function looking({ page, button, link, heading, take, stand }) {
  const answer = async (which, looks) => {
    await page.getByRole('button', { name: new RegExp(`^${which} `) }).click();
    await page.waitForFunction(
      (at) => document.querySelector('[role=progressbar]')?.getAttribute('aria-valuenow') === at,
      String(looks),
    );
  };
  const bench = () => page.getByRole('link', { name: 'Bench', exact: true }).click();
  await bench();
  await link(/^Look it over/).click();
  await page.getByRole('radio', { name: /^All of it/ }).click();
  await button('Begin').click();
  await page.getByRole('progressbar').waitFor();
  await answer('Good', 1);
  await answer('Good', 2);
  await take('look-bridge');
  await page.getByRole('textbox', { name: /^Bridge, from the side/ }).fill('93');
  await answer('Watch it', 3);
  await answer('Good', 4);
  await answer('Good', 5);
  await answer('Watch it', 6);
  await button('Stop here').click();
  await heading('What it changes');
  await take('looked');
  await link('Kit').click();
  await link(/^Heron/).click();
  await link(/^Looked over/).click();
  await page.getByRole('img', { name: /found and open/ }).waitFor();
  await take('found');
  await link(/^Bridge, upright/)
    .first()
    .click();
  await heading('Every time it was looked at');
  await take('look-line');
  await bench();
  await stand('Plover');
  await link(/^Look it over/).click();
  await page.getByRole('radio', { name: /^All of it/ }).click();
  await button('Begin').click();
  for (let looks = 1; looks < 6; looks++) await answer('Good', looks);
  await button('Later').click();
  await stand('Tern');
  await link(/^Look it over/).click();
  await page.getByRole('radio', { name: /^All of it/ }).click();
  await button('Begin').click();
  for (let looks = 1; looks < 4; looks++) await answer('Good', looks);
  await take('look-harp');
  await button('Later').click();
  await stand('Heron');
  await link(/^Measure by photo/).click();
  await page.locator('input[type=file]').setInputFiles((await renderedPhoto(page)).file);
  await page.getByRole('button', { name: /on record/ }).waitFor();
  await button('Back').click();
  await link(/^Gauge at true size/).click();
  await button('It matches').click();
  await page.getByRole('button', { name: 'Close' }).click();
  await take('gauge');
  await photographed({ page, link, take });
}

/** A bridge and hair measured by photograph, and pictures that are kept side by side. */
async function photographed({ page, link, take }) {
  const pictureOf = page.locator('input[type=file]');
  await page.goto('/bench/photo?figure=bridge-angle');
  const bridge = await renderedPhoto(page, 2, 'bridge');
  if (bridge.left) await page.getByRole('radio', { name: 'On the left' }).click();
  await pictureOf.setInputFiles(bridge.file);
  await page.getByRole('button', { name: /on record/ }).waitFor();
  await take('photo-bridge');
  await page.goto('/bench/photo?figure=bow-band-mid');
  await page.getByText('Where on the hair').waitFor();
  await take('photo-hair');
  await link('Kit').first().click();
  await link(/^Heron/).click();
  await link(/^Looked over/).click();
  await link(/^Photos/).click();
  for (const [seed, count] of [
    [2, 1],
    [6, 2],
  ]) {
    await pictureOf.setInputFiles((await renderedPhoto(page, seed, 'bridge')).file);
    await page
      .getByRole('img')
      .nth(count - 1)
      .waitFor();
  }
  await page
    .getByRole('button', { name: 'Dismiss' })
    .click({ timeout: 2000 })
    .catch(() => undefined);
  await take('photos');
}

/** Strings, a change of them, the year, its costs and its files. */
export async function strings({ page, button, link, heading, take, stand }) {
  const kit = (name) => async () => {
    await page.getByRole('link', { name: 'Kit', exact: true }).click();
    await link(new RegExp(`^${name}: `)).click();
    await heading('History');
    await link(/^Strings\. What is on/).click();
    await page.getByRole('img', { name: /^Pull of each string/ }).waitFor();
  };
  const year = () => page.getByRole('link', { name: 'Year', exact: true }).click();
  const top = () => page.mouse.wheel(0, -4000);
  await kit('Plover')();
  await take('strings-on');
  await link(/^Compare/).click();
  await page.getByRole('radio', { name: /^Medium set/ }).click();
  await page.mouse.move(200, 300);
  await top();
  await take('compare');
  await kit('Tern')();
  await take('harp-strings');
  await link(/^Sets and spares/).click();
  await heading('Spares');
  await take('spares');
  await kit('Heron')();
  await link(/^One broke/).click();
  await page.getByRole('radio', { name: 'E5' }).click();
  await take('one-broke');
  await stand('Heron').catch(() => undefined);
  await page.getByRole('link', { name: 'Bench', exact: true }).click();
  await link(/^Change strings/).click();
  await button('Begin').click();
  for (let step = 0; step < 5; step++) {
    await button('Done, next').click();
    await page.waitForTimeout(250);
  }
  await take('change-job');
  await button('Leave off').click();
  await page.waitForTimeout(9500);
  await kit('Curlew')();
  await link(/^Tune and settle/).click();
  await page.getByText(/rings are your/).waitFor();
  await button('Use a simulated string').click();
  await page.getByRole('button', { name: /^Write down/, disabled: false }).waitFor();
  await take('settle');
  await button('Stop listening').click();
  await year();
  await page.getByText(/^The next visit to the workshop/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await take('year-phone');
  await page.getByRole('button', { name: /^Heron: rehair/ }).click();
  await button('A month later').click();
  await page.mouse.move(200, 300);
  await top();
  await take('due-item');
  await year();
  await link(/^What it costs/).click();
  await page.getByText(/^in the year ahead/).waitFor();
  await take('costs');
  await year();
  await link(/^In your calendar/).click();
  await page
    .getByLabel('Calendar file')
    .setInputFiles({ name: 'mine.ics', mimeType: 'text/calendar', buffer: calendarFile() });
  await page.getByRole('list', { name: 'Occasions in the file' }).scrollIntoViewIfNeeded();
  await page.mouse.move(200, 300);
  await page.mouse.wheel(0, 700);
  await take('calendar-in');
  await year();
  await link(/^Out and in again/).click();
  await link(/^Put a practice diary/).click();
  await page
    .getByLabel('Practice diary')
    .setInputFiles({ name: 'diary.csv', mimeType: 'text/csv', buffer: diaryFile() });
  await heading(/sessions/);
  await page.mouse.wheel(0, -4000);
  await take('diary');
}

export async function dark({ page, button, take, closing }) {
  await closing(2);
  await button('Hands-busy view').click();
  await page.getByText('Tap anywhere').waitFor();
  await take('hands-busy-dark');
}

export async function wide({ page, button, link, heading, take }) {
  await take('now-before-wide');
  await page.getByRole('link', { name: 'Air', exact: true }).click();
  await page.getByRole('list', { name: 'Rooms and cases' }).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(2000);
  await take('air-wide');
  await page.getByRole('link', { name: 'Year', exact: true }).click();
  await page.getByText(/^The next visit to the workshop/).waitFor({ timeout: 60_000 });
  await page.waitForTimeout(1500);
  await take('year-wide');
  await link('Bench').click();
  await heading('Learn');
  await take('bench-wide');
  await link('Kit').click();
  await button('Household and account').click();
  await link(/^Schools/).click();
  await heading('Schools');
  await take('schools-wide');
}

/** Something is wrong, from what is noticed to what it comes to; and jobs with hands busy. */
export async function working({ page, button, link, heading, take, stand }) {
  const bench = () => page.getByRole('link', { name: 'Bench', exact: true }).click();
  const next = async (wanted) => {
    await button('Done, next').click();
    await heading(wanted);
  };
  await bench();
  await link(/^Something is wrong/).click();
  await page.getByRole('checkbox', { name: 'Suddenly different or hollow' }).click();
  await page.getByRole('heading', { name: 'Something is wrong' }).evaluate((title) => title.scrollIntoView());
  await take('wrong-start');
  await button('Look into it').click();
  await button('Look whether it is so').waitFor();
  await take('wrong-danger');
  await button('Look whether it is so').click();
  const asked = page.getByRole('group', { name: 'Look at this next' });
  await take('wrong-case');
  for (let looks = 0; looks < 3; looks++) {
    const question = await asked.getByRole('heading').innerText();
    const gap = asked.getByRole('button', { name: 'A gap' });
    await ((await gap.count()) > 0 ? gap : asked.getByRole('button').first()).click();
    await page.getByRole('heading', { name: question }).waitFor({ state: 'detached' });
    const on = button('Look whether it is so');
    if ((await on.count()) > 0) await on.click();
  }
  await heading('What it could be');
  await page.getByRole('heading', { name: 'What it could be' }).evaluate((title) => title.scrollIntoView());
  await take('wrong-strings');
  await bench();
  await link(/^Jobs, step by step/).click();
  await heading('Jobs, step by step');
  await take('jobs');
  await link(/^The bridge upright again/).click();
  await page.getByRole('checkbox').click();
  await button('Begin').click();
  for (const title of ['The post first', 'Lay it in your lap', 'Ease the strings', 'Both hands']) await next(title);
  await take('job-bridge');
  await button('Pause').click();
  await link(/^A new instrument/).click();
  await button('Begin').click();
  for (const title of ['Open it flat', 'A knuckle round', 'Does the post']) await next(title);
  await take('job-arrival');
  await bench();
  await stand('Plover');
  await link(/^Jobs, step by step/).click();
  await link(/^Neck relief/).click();
  await page.getByRole('checkbox').click();
  await button('Begin').click();
  await next('The air first');
  await next('Read the relief');
  await take('job-relief');
}
