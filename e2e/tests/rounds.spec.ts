import type { Page } from '@playwright/test';
import {
  addInstrument,
  closeTheRound,
  expect,
  keptOnDevice,
  openDemo,
  PASSWORD,
  putOnStand,
  signUp,
  test,
  throughTheRound,
} from '../fixtures';

/** Changes the instrument on the stand through its own page. */
async function change(page: Page, name: string, group: string, option: string): Promise<void> {
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: new RegExp(`^${name}`) }).click();
  await page.getByRole('button', { name: `Change ${name}` }).click();
  await page.getByRole('radiogroup', { name: group }).getByRole('radio', { name: option }).click();
  await page.getByRole('button', { name: 'Save' }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
}

test('a cello’s evening: endpin and turns written down, the round with full hands, tap after tap', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Cello');
  await page.getByRole('link', { name: /^Before you play/ }).click();
  await expect(page.getByRole('heading', { name: 'Bow out first' })).toBeVisible();
  await page.getByRole('button', { name: 'Write it down: Endpin at your length' }).click();
  await page.getByLabel('In millimetres').fill('3000');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByRole('alert')).toContainText('Endpin length lies between 0 and 700 mm');
  await page.getByLabel('In millimetres').fill('312');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('Endpin at 312 mm')).toBeVisible();
  await page.getByRole('button', { name: 'Write down the turns' }).click();
  await page.getByRole('textbox', { name: 'Turns' }).fill('6,5');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('Last time 6.5 turns')).toBeVisible();

  await page.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('button', { name: 'Hands-busy view' }).click();
  const tap = () => page.mouse.click(190, 520);
  await expect(page.getByRole('button', { name: /Slacken the bow.*Tap anywhere: done/ })).toBeVisible();
  await tap();
  await expect(page.getByRole('button', { name: /Wipe the stick.*Tap anywhere: done/ })).toBeVisible();
  await page.getByRole('button', { name: 'Undo: slacken the bow' }).click();
  await expect(page.getByRole('button', { name: /Slacken the bow.*Tap anywhere: done/ })).toBeVisible();
  // Pedals turn pages both ways.
  await page.keyboard.press('PageDown');
  await expect(page.getByRole('button', { name: /Wipe the stick.*Tap anywhere: done/ })).toBeVisible();
  await page.keyboard.press('PageUp');
  await expect(page.getByRole('button', { name: /Slacken the bow.*Tap anywhere: done/ })).toBeVisible();
  for (const step of ['Slacken the bow', 'Wipe the stick', 'Wipe the strings', 'Wipe the rosin zones']) {
    await expect(page.getByRole('button', { name: new RegExp(`${step}.*Tap anywhere: done`) })).toBeVisible();
    await tap();
  }
  await expect(page.getByRole('button', { name: /Wipe where hands were.*Tap anywhere: done/ })).toBeVisible();
  await expect.poll(async () => (await page.request.get('/api/v1/events')).text()).toContain('wipe-rosin');
  // It is how this device likes it, so it stays after a reload; then the usual view takes over where it was.
  await page.reload();
  await page.getByRole('button', { name: 'Usual view' }).click();
  expect(await throughTheRound(page)).toEqual([
    'Wipe where hands were',
    'Endpin in',
    'Into the case',
    'Close every zip',
  ]);
});

test('a guitar by its player’s school: on its stand in daily use, in its case otherwise', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Guitar');
  await change(page, 'Guitar', 'Stand or wall hanger', 'Yes');
  await page.getByRole('link', { name: /^Schools/ }).click();
  await page
    .getByRole('radiogroup', { name: 'Where a guitar in daily use is kept' })
    .getByRole('radio', { name: /^B: On a stand/ })
    .click();
  await expect(page.getByText('Changed.')).toBeVisible();
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await page.getByRole('button', { name: 'Start playing' }).click();
  await closeTheRound(page, ['Wipe the strings', 'Wipe where hands were', 'Onto its stand']);
  // The other way round for the household changes nothing for a guitar that goes its own way; following it does.
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Guitar/ }).click();
  await page.getByRole('link', { name: /^Schools/ }).click();
  await page
    .getByRole('radiogroup', { name: 'Where a guitar in daily use is kept' })
    .getByRole('radio', { name: /^As the household: A/ })
    .click();
  await expect(page.getByText('Changed.')).toBeVisible();
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await page.getByRole('button', { name: /Go on with the closing round/ }).click();
  expect(await throughTheRound(page)).toEqual(['Into the case', 'Close and fasten']);
});

test('a pedal harp’s evening: no bow, no case, the action in its turn; its regulation on the set-up sheet', async ({
  page,
}) => {
  await signUp(page);
  await page.getByRole('button', { name: 'Harp', exact: true }).click();
  await page.getByRole('radio', { name: 'Pedal harp' }).click();
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await page.getByRole('link', { name: /^Before you play/ }).click();
  await expect(page.getByRole('heading', { name: 'Tune' })).toBeVisible();
  await expect(page.getByText('All pedals in flat.', { exact: false })).toBeVisible();
  await expect(page.getByText(/rosin|bow/i)).toHaveCount(0);
  await page.getByRole('button', { name: 'Start playing' }).click();
  await closeTheRound(page, ['Wipe the strings', 'Wipe where hands were']);
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('link', { name: /^Harp/ }).click();
  await page.getByRole('link', { name: /^Set-up sheet/ }).click();
  await page.getByRole('button', { name: 'It was regulated' }).click();
  await page.getByRole('radio', { name: '3 months' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText(/^Last on \d/)).toBeVisible();
});

test('with the network cut a whole evening is recorded, survives a reload, and is sent later with nothing lost', async ({
  page,
  context,
}) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  await keptOnDevice(page);
  // What a phone needs to install it.
  const manifest = await page.evaluate(async () => {
    const { href } = document.querySelector<HTMLLinkElement>('link[rel=manifest]')!;
    const { icons, display } = (await (await fetch(href)).json()) as { icons: { src: string }[]; display: string };
    return { display, icons: await Promise.all(icons.map(async ({ src }) => (await fetch(src)).ok)) };
  });
  expect(manifest.display).toBe('standalone');
  expect(manifest.icons.length).toBeGreaterThanOrEqual(3);
  expect(manifest.icons).not.toContain(false);
  await context.setOffline(true);
  await page.reload();
  await page.getByRole('link', { name: /^Before you play/ }).click();
  await page.getByRole('button', { name: 'Write it down: Shoulder rest on' }).click();
  await page.getByLabel('In millimetres').fill('31');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await page.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Rosined just now' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  const steps = await throughTheRound(page);
  expect(steps).toHaveLength(8);
  // Places never opened before open too.
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('link', { name: /^Leaving home/ }).click();
  await expect(page.getByRole('heading', { level: 1, name: 'Leaving home' })).toBeVisible();
  for (const box of await page.getByRole('checkbox').all()) await box.click();
  await page.getByRole('button', { name: 'Packed' }).click();
  await expect(page.getByText(/13 entries kept here/)).toBeVisible();
  await page.reload();
  await expect(page.getByText(/13 entries kept here/)).toBeVisible();

  await context.setOffline(false);
  await expect(page.getByText(/entries kept here/)).toBeHidden({ timeout: 40_000 });
  const { events } = await page.evaluate(
    async () => (await fetch('/api/v1/events')).json() as Promise<{ events: { id: string; type: string }[] }>,
  );
  expect(events.map(({ type }) => type).sort()).toEqual(
    ['measured', 'packed', 'rosined', 'session-began', 'session-ended', ...steps.map(() => 'step-done')].sort(),
  );
});

test('two devices that record the same evening without a connection end up with one session', async ({
  page,
  context,
  browser,
}) => {
  const email = await signUp(page);
  await addInstrument(page, 'Violin');
  const elsewhere = await browser.newContext({
    baseURL: process.env.TEMBRIN_URL,
    viewport: { width: 390, height: 844 },
  });
  const tablet = await elsewhere.newPage();
  await tablet.goto('/');
  await tablet.getByRole('button', { name: 'Sign in', exact: true }).click();
  await tablet.getByLabel('Email').fill(email);
  await tablet.getByLabel('Password').fill(PASSWORD);
  await tablet.getByRole('button', { name: 'Sign in', exact: true }).click();
  await expect(tablet.getByRole('button', { name: 'Start playing' })).toBeEnabled();

  await keptOnDevice(page);
  await keptOnDevice(tablet);
  await context.setOffline(true);
  await elsewhere.setOffline(true);
  await page.getByRole('button', { name: 'Start playing' }).click();
  await tablet.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  await page.getByRole('button', { name: 'Done', exact: true }).click();
  await page.getByRole('button', { name: 'Later' }).click();
  await tablet.getByRole('button', { name: 'Finish' }).click();
  await throughTheRound(tablet, async (step) => {
    await tablet.getByRole('button', { name: step === 'Slacken the bow' ? 'Skip' : 'Done', exact: true }).click();
  });

  await context.setOffline(false);
  await expect(page.getByText(/kept here/)).toBeHidden({ timeout: 40_000 });
  await elsewhere.setOffline(false);
  await expect(tablet.getByText(/kept here/)).toBeHidden({ timeout: 40_000 });
  for (const device of [page, tablet]) {
    await device.reload();
    await device.getByRole('link', { name: 'Kit' }).click();
    await device.getByRole('link', { name: /^Violin/ }).click();
    await expect(device.getByRole('button', { name: /Correct or retract the session/ })).toHaveCount(1);
    // Slackened on one, everything else done on the other: all of it is done.
    await expect(device.getByText('Closing round 8 of 8')).toBeVisible();
  }
  // Retracting it takes both recordings back, and Undo both again.
  await page.getByRole('button', { name: /Correct or retract the session/ }).click();
  await page.getByRole('button', { name: 'Retract the session' }).click();
  await expect(page.getByRole('button', { name: /Correct or retract the session/ })).toHaveCount(0);
  await page.getByRole('button', { name: 'Undo' }).click();
  await expect(page.getByRole('button', { name: /Correct or retract the session/ })).toHaveCount(1);
  await elsewhere.close();
});

test('what stands out on Now and in the round is this evening’s: a tight bow, residue that hardens, steps with room', async ({
  page,
}) => {
  await openDemo(page);
  await putOnStand(page, 'Wren');
  await expect(page.getByRole('heading', { name: 'The bow is still tight' })).toBeVisible();
  await page.getByRole('link', { name: /^Residue/ }).click();
  // How hard it is depends on how much was played this week.
  const rosin = page.getByRole('radio', { name: /^Rosin zones: (fresh|settling)/ });
  await rosin.click();
  const hardening = ((await rosin.textContent()) ?? '').includes('settling');
  await expect(page.getByRole('heading', { name: /^Rosin zones: rung 1 of 4/ })).toBeVisible();
  await page.getByRole('link', { name: 'Now', exact: true }).click();
  await page.getByRole('button', { name: 'Slackened now' }).click();
  await page.getByRole('button', { name: 'Start playing' }).click();
  await page.getByRole('button', { name: 'Finish' }).click();
  await throughTheRound(page, async (step) => {
    if (step === 'Wipe the rosin zones') {
      if (hardening) await expect(page.getByText(/It is getting hard/)).toBeVisible();
      // Missed again and again, it is spelt out move by move.
      await expect(page.getByRole('listitem').filter({ hasText: 'Under the strings between bridge' })).toBeVisible();
    }
    await page.getByRole('button', { name: 'Done', exact: true }).click();
  });
  await page.getByRole('link', { name: /^Residue/ }).click();
  await expect(page.getByRole('radio', { name: 'Rosin zones: clean' })).toBeVisible();
});

test('what may I use: never, only so and allowed, and a school that changes the answer', async ({ page }) => {
  await signUp(page);
  await addInstrument(page, 'Violin');
  const choose = async (surface: string, product: string) => {
    await page.getByRole('radio', { name: surface }).click();
    await page.getByRole('radio', { name: product }).click();
  };
  const answer = page.getByRole('status').filter({ hasText: ' on ' });
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('link', { name: /^What may I use/ }).click();
  await choose('Varnish', 'Window cleaner');
  await expect(answer).toContainText('Never');
  await choose('Plain strings', 'Spirit (rubbing alcohol)');
  await expect(answer).toContainText('Only so');
  await choose('Varnish', 'Spirit (rubbing alcohol)');
  await expect(answer).toContainText('Never');
  await choose('Varnish', 'Dry soft cloth');
  await expect(answer).toContainText('Allowed');
  await choose('Varnish', 'Instrument cleaner');
  await expect(answer).toContainText('By your school: dry only');
  await page.getByRole('link', { name: 'Kit' }).click();
  await page.getByRole('button', { name: 'Household and account' }).click();
  await page.getByRole('link', { name: /^Schools/ }).click();
  await page.getByRole('radiogroup', { name: 'Cleaner on the varnish' }).getByRole('radio', { name: /^B:/ }).click();
  await expect(page.getByText('Changed.')).toBeVisible();
  await page.getByRole('link', { name: 'Bench' }).click();
  await page.getByRole('link', { name: /^What may I use/ }).click();
  await choose('Varnish', 'Instrument cleaner');
  await expect(answer).toContainText('Only so');
});
