import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { fileURLToPath } from 'node:url';
import { expect, test as base, type Page } from '@playwright/test';
import axe, { type RunOptions } from 'axe-core';

const ROOT = fileURLToPath(new URL('..', import.meta.url));

export interface RunningServer {
  url: string;
  port: number;
  stop(signal?: NodeJS.Signals): Promise<void>;
}

/** Starts a server process on the tests' database; on a port of its own unless one is given. @param settings other than usual */
export async function startServer(port = 0, settings: Record<string, string> = {}): Promise<RunningServer> {
  const env = {
    ...process.env,
    PORT: String(port),
    LOG_LEVEL: 'error',
    SIGN_IN_LIMIT: '1000',
    OPENING_LIMIT: '1000',
    TZ: 'Europe/Lisbon',
    ...settings,
  };
  const child = spawn(process.execPath, ['--import', 'tsx', 'server/src/main.ts'], {
    cwd: ROOT,
    env,
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const [message] = (await once(child, 'message')) as [{ listening: number }];
  return {
    // By its name: passkeys do not hold for numbers.
    url: `http://localhost:${message.listening}`,
    port: message.listening,
    async stop(signal = 'SIGTERM') {
      if (child.exitCode !== null || child.signalCode !== null) return;
      child.kill(signal);
      await once(child, 'exit');
    },
  };
}

export const test = base.extend<{ baseURL: string }>({
  baseURL: async ({}, use) => use(process.env.TEMBRIN_URL!),
});
export { expect };

export const PASSWORD = 'quiet harbour tern';
let people = 0;
/** An address nobody else in this run has. */
export const newEmail = () => `player-${process.pid}-${Date.now()}-${++people}@example.org`;

/** Opens the newest letter to an address, as it came to the mailbox. @param subject what it must be about */
export async function openLetter(page: Page, to: string, subject: string): Promise<void> {
  await expect(async () => {
    await page.goto(`${process.env.TEMBRIN_MAIL}?to=${encodeURIComponent(to)}`);
    await page.getByRole('listitem').first().getByRole('link', { name: subject }).click({ timeout: 500 });
  }).toPass();
  await expect(page.getByRole('heading', { level: 1, name: subject })).toBeVisible();
}

/** Makes an account through the welcome page; ends at the choice of family. */
export async function signUp(page: Page, email = newEmail(), url = '/'): Promise<string> {
  await page.goto(url);
  await page.getByRole('button', { name: 'Start your own' }).click();
  await page.getByLabel('Email').fill(email);
  await page.getByLabel('Password').fill(PASSWORD);
  await page.getByRole('button', { name: 'Make the account' }).click();
  await expect(page.getByRole('heading', { name: 'What do you play?' })).toBeVisible();
  return email;
}

/** Adds an instrument with nothing said but its family; ends on the stand. */
export async function addInstrument(page: Page, family: string): Promise<void> {
  await page.getByRole('button', { name: family, exact: true }).click();
  await page.getByRole('button', { name: 'Put it on the stand' }).click();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeEnabled();
}

/** Waits until the app itself is kept on the device, so that it opens without a connection. */
export async function keptOnDevice(page: Page): Promise<void> {
  await page.evaluate(async () => {
    await navigator.serviceWorker.ready;
    if (!navigator.serviceWorker.controller)
      await new Promise((resolve) => navigator.serviceWorker.addEventListener('controllerchange', resolve));
  });
}

/** Waits until the stand has come to rest and is kept, with these words on it. */
export async function standKept(page: Page, words = ''): Promise<void> {
  const kept = () => page.evaluate((text) => localStorage.getItem('tembrin-drawn')?.includes(text), words);
  await expect.poll(kept).toBe(true);
}

/** Opens the demo library; ends on the stand. */
export async function openDemo(page: Page): Promise<void> {
  await page.goto('/');
  await page.getByRole('button', { name: 'Look round the demo library' }).click();
  await expect(page.getByRole('heading', { name: 'Heron' })).toBeVisible();
  await expect(page.getByRole('button', { name: 'Start playing' })).toBeEnabled({ timeout: 30_000 });
}

const RULES = ['wcag2a', 'wcag2aa', 'wcag21a', 'wcag21aa', 'wcag22aa', 'best-practice'];

/**
 * No violation of the accessibility rules that can be checked by machine (WCAG 2.2 A and AA).
 * @param only the rules to look at, where the others have been looked at before
 */
export async function expectAccessible(page: Page, screen: string, only?: readonly string[]): Promise<void> {
  // The screen that was asked for is there, not one that is being fetched, nor the one before it.
  await page.evaluate(() => new Promise((drawn) => requestAnimationFrame(() => requestAnimationFrame(drawn))));
  await expect(page.locator('main, [role=main]').first()).toBeAttached();
  await expect(page.locator('h1, [role=heading][aria-level="1"]').first()).toBeAttached();
  // The rules stay in the page while the app goes from screen to screen: handing them over takes longer than looking.
  if (!(await page.evaluate(() => 'axe' in window))) await page.evaluate(axe.source);
  const options: RunOptions = {
    runOnly: only ? { type: 'rule', values: [...only] } : { type: 'tag', values: RULES },
    // What is read on a control is in its name: said by voice, it is found.
    rules: only ? {} : { 'label-content-name-mismatch': { enabled: true } },
    resultTypes: ['violations'],
  };
  const found = await page.evaluate(async (asked) => {
    const rules = (window as unknown as { axe: typeof axe }).axe;
    const { violations } = await rules.run(asked);
    return violations.map(({ id, nodes }) => `${id}: ${nodes.map(({ html }) => html.slice(0, 400)).join(' | ')}`);
  }, options);
  expect.soft(found, screen).toEqual([]);
}

/** Puts another instrument of the demo library on the stand. */
export async function putOnStand(page: Page, name: string): Promise<void> {
  await page.getByRole('button', { name: /is on the stand. Put another there/ }).click();
  await page.getByRole('button', { name: new RegExp(`^${name}`) }).click();
  await expect(page.getByRole('heading', { level: 1, name })).toBeVisible();
}

/** Finishes the session that is running and does every step of its closing round. */
export async function closeTheRound(page: Page, steps: readonly string[]): Promise<void> {
  await page.getByRole('button', { name: 'Finish' }).click();
  for (const step of steps) {
    // Where one has arrived has the focus, so that it is heard.
    await expect(page.getByRole('heading', { level: 1, name: step })).toBeFocused();
    await page.getByRole('button', { name: 'Done', exact: true }).click();
  }
  await expect(page.getByText('The round is done.')).toBeVisible();
}

/**
 * Goes through the closing round in hand, whatever is due this evening, and answers each step.
 * @returns the titles of its steps, in order
 */
export async function throughTheRound(
  page: Page,
  answer: (step: string) => Promise<void> = () => page.getByRole('button', { name: 'Done', exact: true }).click(),
): Promise<string[]> {
  const steps: string[] = [];
  const knots = page.getByRole('progressbar', { name: 'Closing round' });
  await expect(knots).toBeVisible();
  const count = Number(await knots.getAttribute('aria-valuemax'));
  for (let at = Number(await knots.getAttribute('aria-valuenow')); at < count; at++) {
    await expect(knots).toHaveAttribute('aria-valuenow', String(at));
    const step = (await page.getByRole('heading', { level: 1 }).textContent()) ?? '';
    steps.push(step);
    await answer(step);
  }
  await expect(page.getByText(/^The round is done/)).toBeVisible();
  return steps;
}

/** A picture of one colour, as a phone's camera would hand it over. */
export async function picture(page: Page, colour: string) {
  const text = await page.evaluate((shade) => {
    const canvas = document.createElement('canvas');
    Object.assign(canvas, { width: 480, height: 640 });
    const context = canvas.getContext('2d')!;
    context.fillStyle = shade;
    context.fillRect(0, 0, 480, 640);
    return canvas.toDataURL('image/jpeg').split(',')[1]!;
  }, colour);
  return { name: `${colour}.jpg`, mimeType: 'image/jpeg', buffer: Buffer.from(text, 'base64') };
}
