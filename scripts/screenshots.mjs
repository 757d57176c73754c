import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { CHROMIUM } from './lib/chromium.mjs';
import { ROOT } from './lib/project.mjs';
import { withThrowaway } from './lib/throwaway.mjs';
import { laySheet, SHEETS } from './pictures/sheets.mjs';
import { lending } from './pictures/tour-lending.mjs';
import { people } from './pictures/tour-people.mjs';
import { reminders } from './pictures/tour-reminders.mjs';
import { workshop } from './pictures/tour-workshop.mjs';
import { air, dark, looking, phone, strings, wide, working } from './pictures/tours.mjs';
import { PHONE, visit, WIDE } from './pictures/visit.mjs';

/** Takes the pictures in docs/screenshots anew, of the demo library. */
const OUT = join(ROOT, 'docs/screenshots');
const SINGLE = mkdtempSync(join(tmpdir(), 'tembrin-pictures-'));
const onSheets = new Set(Object.values(SHEETS).flat());
const folderOf = (name) => (onSheets.has(name) ? SINGLE : OUT);

await withThrowaway(async ({ TEMBRIN_URL, TEMBRIN_MAIL, TEMBRIN_PUSH }) => {
  const { chromium } = await import('@playwright/test');
  const browser = await chromium.launch(CHROMIUM);
  const told = [people(TEMBRIN_MAIL), reminders(TEMBRIN_MAIL, TEMBRIN_PUSH), lending];
  for (const walk of [phone, air, looking, working, workshop, ...told, strings])
    await visit(browser, TEMBRIN_URL, { viewport: PHONE, folderOf }, walk);
  await visit(browser, TEMBRIN_URL, { viewport: PHONE, colorScheme: 'dark', folderOf }, dark);
  await visit(browser, TEMBRIN_URL, { viewport: WIDE, folderOf }, wide);
  for (const [name, pictures] of Object.entries(SHEETS)) await laySheet(browser, name, pictures, SINGLE, OUT);
  await browser.close();
  rmSync(SINGLE, { recursive: true, force: true });
});
