import type { Page } from '@playwright/test';
import { addInstrument, expect, expectAccessible, keptOnDevice, openLetter, signUp, test } from '../fixtures';

/** A time of day there, so many hours from now. */
const clockIn = (hours: number) =>
  new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone: 'Europe/Lisbon' }).format(
    Date.now() + hours * 3_600_000,
  );

async function quiet(page: Page, from: string, until: string): Promise<void> {
  await page.goto('/kit/reminders');
  await page.getByLabel('Nothing from').fill(from);
  await page.getByLabel('until', { exact: true }).fill(until);
  await page.getByRole('button', { name: 'Save', exact: true }).click();
  await expect(page.getByText('Saved.')).toBeVisible();
}

/** A violin whose room was read as far too dry. */
async function tooDry(page: Page): Promise<void> {
  await page.goto('/air');
  await page.getByRole('button', { name: 'Add a room' }).click();
  await page.getByLabel('Name').fill('Front room');
  await page.getByRole('radio', { name: 'In the open' }).click();
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await page.getByRole('button', { name: 'Read a hygrometer' }).click();
  await page.getByLabel('Humidity in %').fill('24');
  await page.getByRole('button', { name: 'Put it on record' }).click();
  await expect(page.getByText('24 % is on record.')).toBeVisible();
}

const lettersTo = async (page: Page, to: string): Promise<{ subject: string }[]> =>
  (await page.request.get(`${process.env.TEMBRIN_MAIL}/all.json?to=${encodeURIComponent(to)}`)).json() as Promise<
    { subject: string }[]
  >;
const TOO_DRY = 'Violin: the wood is too dry';

test('wood that leaves its band at night is told in the morning, by mail and on the phone, and put off from the letter', async ({
  page,
}) => {
  const email = await signUp(page);
  await addInstrument(page, 'Violin');
  await page.goto('/kit/reminders');
  await expect(page.getByRole('heading', { name: 'Nothing to tell' })).toBeVisible();
  await page.getByRole('button', { name: 'Tell this device' }).click();
  await page.getByRole('button', { name: /^Try / }).click();
  await expect(page.getByText('Sent. It should show within a minute.')).toBeVisible();
  await expect(async () => {
    await page.reload();
    await expect(page.getByText(/· told/)).toBeVisible({ timeout: 2000 });
  }).toPass();
  await expectAccessible(page, 'reminders, with nothing told');

  // It is night here.
  await quiet(page, clockIn(-2), clockIn(2));
  await tooDry(page);
  await page.waitForTimeout(4000);
  expect(await lettersTo(page, email)).toEqual([]);
  // Morning comes.
  await quiet(page, '00:00', '00:00');
  await openLetter(page, email, TOO_DRY);
  await expect(page.getByText('List-Unsubscribe=One-Click')).toBeVisible();
  const later = await page
    .getByRole('link', { name: /\/told#/ })
    .first()
    .getAttribute('href');
  await page.goto(process.env.TEMBRIN_PUSH!);
  await expect(page.getByRole('listitem').filter({ hasText: TOO_DRY }).first()).toContainText('high');

  await page.goto(later!);
  await expect(page.getByRole('heading', { level: 1, name: TOO_DRY })).toBeVisible();
  await expect(page.getByText(/^Its wood rests at/)).toBeVisible();
  await expectAccessible(page, 'a reminder by its link');
  await page.getByRole('button', { name: 'Tomorrow' }).click();
  await expect(page.getByRole('status').filter({ hasText: 'You are told again on' })).toBeVisible();

  await page.goto('/kit/reminders');
  await expect(page.getByText(/^Put off until/)).toBeVisible();
  expect((await lettersTo(page, email)).filter(({ subject }) => subject === TOO_DRY)).toHaveLength(1);
});

test('a kind is switched off where it is read, and letters are ended with one link', async ({ page }) => {
  const email = await signUp(page);
  await addInstrument(page, 'Violin');
  await quiet(page, '00:00', '00:00');
  await tooDry(page);
  await openLetter(page, email, TOO_DRY);
  const end = await page
    .getByRole('link', { name: /\/told#/ })
    .last()
    .getAttribute('href');
  await page.goto('/kit/reminders');
  await expect(page.getByText('Told lately')).toBeVisible();
  await expectAccessible(page, 'reminders, with one told');
  await page.getByRole('button', { name: `Not again: ${TOO_DRY}` }).click();
  await expectAccessible(page, 'what nothing more is told of');
  await page.getByRole('button', { name: 'Nothing more of this kind' }).click();
  await expect(page.getByRole('checkbox', { name: 'Wood that is too dry or too damp' })).not.toBeChecked();

  await page.goto(end!);
  await page.getByRole('button', { name: 'End these letters' }).click();
  await expect(page.getByText(/^No more letters come to you/)).toBeVisible();
  await page.getByRole('button', { name: 'When and of what you are reminded' }).click();
  await expect(page.getByRole('radio', { name: 'No letters' })).toBeChecked();
});

/** What a push service brought for a device, as it came to the stand-in. */
async function pushed(page: Page, title: string): Promise<{ id: string; key: string }> {
  let found: { id: string; key: string } | undefined;
  await expect(async () => {
    const all = await (await page.request.get(`${process.env.TEMBRIN_PUSH}/all.json`)).json();
    found = (all as { id: string; key: string; title: string }[]).find((each) => each.title === title);
    expect(found).toBeDefined();
  }).toPass();
  return found!;
}

test('a notification shows what is told, and is answered from where it is shown', async ({ page, context }) => {
  await signUp(page);
  await page.getByRole('button', { name: 'Violin', exact: true }).click();
  await page.getByLabel('Name').fill('Sandpiper');
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeEnabled();
  await page.goto('/kit/reminders');
  await page.getByRole('button', { name: 'Tell this device' }).click();
  await page.getByRole('button', { name: /^Try / }).waitFor();
  await quiet(page, '00:00', '00:00');
  await tooDry(page);
  const title = 'Sandpiper: the wood is too dry';
  const message = await pushed(page, title);
  await keptOnDevice(page);
  const [worker] = context.serviceWorkers();
  // What the browser would show is looked at where it is handed over: without a screen there are no notifications.
  const shown = await worker!.evaluate(async (data) => {
    const scope = self as unknown as {
      registration: { showNotification: (title: string, options: object) => Promise<void> };
      dispatchEvent: (event: Event) => boolean;
    };
    const kept: unknown[] = [];
    scope.registration.showNotification = (...each) => Promise.resolve(void kept.push(each));
    const PushEvent = (self as unknown as { PushEvent: new (type: string, init: object) => Event }).PushEvent;
    scope.dispatchEvent(new PushEvent('push', { data: JSON.stringify(data) }));
    await new Promise((resolve) => setTimeout(resolve, 100));
    return kept;
  }, message);
  const actions = [{ action: 'tomorrow', title: 'Tomorrow' }];
  expect(shown).toMatchObject([[title, { tag: message.id, data: { key: message.key }, actions }]]);

  await worker!.evaluate((key) => {
    const Event_ = (self as unknown as { ExtendableEvent: new (type: string) => Event }).ExtendableEvent;
    const notification = { title: 'Sandpiper', data: { path: '/now', key }, close: () => undefined };
    const event = Object.assign(new Event_('notificationclick'), { action: 'tomorrow', notification });
    self.dispatchEvent(event);
  }, message.key);
  await page.goto('/kit/reminders');
  await expect(async () => {
    await page.reload();
    await expect(page.getByText(/^Put off until/)).toBeVisible({ timeout: 2000 });
  }).toPass();
});
