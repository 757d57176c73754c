import { readFileSync } from 'node:fs';
import { join } from 'node:path';
import { PHONE } from './visit.mjs';

/** Views of a phone that belong together, side by side on a sheet. */
export const SHEETS = {
  stand: ['now-before', 'opening', 'now-playing', 'working-strings'],
  closing: ['closing-violin', 'closing-cello', 'closing-guitar', 'closing-harp'],
  kit: ['kit', 'instrument', 'set-up', 'residue'],
  bench: ['may-use', 'drill-screw', 'drill-case', 'hands-busy-dark'],
  air: ['air', 'room', 'wood', 'what-to-do'],
  strings: ['strings-on', 'compare', 'one-broke', 'change-job'],
  year: ['year-phone', 'due-item', 'settle', 'costs'],
  look: ['look-bridge', 'looked', 'found', 'look-line'],
  wrong: [
    'wrong-start',
    'wrong-danger',
    'wrong-case',
    'wrong-strings',
    'jobs',
    'job-bridge',
    'job-arrival',
    'job-relief',
  ],
  reminders: [
    'reminders',
    'reminders-when',
    'reminder-letter',
    'reminder-push',
    'cupboard',
    'loan-lend',
    'loan-out',
    'loan-back',
  ],
  workshop: [
    'brief',
    'visit-asked',
    'workshop-page',
    'workshop-answers',
    'visit-answered',
    'at-workshop',
    'passport',
    'state',
  ],
  people: ['who-plays', 'people-list', 'own-ways', 'person', 'letter', 'invitation', 'account', 'sign-in'],
  measuring: ['look-harp', 'photo-bridge', 'photo-hair', 'photos', 'gauge'],
  files: ['salt-check', 'import', 'moving', 'keeping', 'harp-strings', 'spares', 'calendar-in', 'diary'],
};
const GAP = 16;
/** More pictures than stand in one row stand in rows of so many. */
const [ONE_ROW, IN_A_ROW] = [5, 4];

/** Lays pictures side by side on one sheet. @param from folder of the pictures; @param to folder of the sheet */
export async function laySheet(browser, name, pictures, from, to) {
  const across = pictures.length > ONE_ROW ? IN_A_ROW : pictures.length;
  const down = Math.ceil(pictures.length / across);
  const [width, height] = [across * (PHONE.width + GAP) - GAP, down * (PHONE.height + GAP) - GAP];
  const page = await browser.newPage({ viewport: { width, height } });
  const images = pictures.map(
    (each) => `<img src="data:image/png;base64,${readFileSync(join(from, `${each}.png`)).toString('base64')}">`,
  );
  await page.setContent(
    `<body style="margin:0;display:flex;flex-wrap:wrap;gap:${GAP}px;background:#fff">${images.join('')}</body>`,
  );
  await page.screenshot({ path: join(to, `${name}.png`) });
  await page.close();
}
