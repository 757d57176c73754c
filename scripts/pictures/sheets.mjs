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
  'air-tools': ['salt-check', 'import', 'moving', 'keeping'],
  strings: ['strings-on', 'compare', 'one-broke', 'change-job'],
  year: ['year-phone', 'due-item', 'settle', 'costs'],
  look: ['look-bridge', 'looked', 'found', 'look-line'],
  wrong: ['wrong-start', 'wrong-danger', 'wrong-case', 'wrong-strings', 'brief'],
  jobs: ['jobs', 'job-bridge', 'job-arrival', 'job-relief'],
  measuring: ['look-guitar', 'look-harp', 'photo', 'gauge'],
  photos: ['photo-bridge', 'photo-hair', 'photos'],
  files: ['harp-strings', 'spares', 'calendar-in', 'diary'],
};
const GAP = 16;

/** Lays pictures side by side on one sheet. @param from folder of the pictures; @param to folder of the sheet */
export async function laySheet(browser, name, pictures, from, to) {
  const width = pictures.length * (PHONE.width + GAP) - GAP;
  const page = await browser.newPage({ viewport: { width, height: PHONE.height } });
  const images = pictures.map(
    (each) => `<img src="data:image/png;base64,${readFileSync(join(from, `${each}.png`)).toString('base64')}">`,
  );
  await page.setContent(`<body style="margin:0;display:flex;gap:${GAP}px;background:#fff">${images.join('')}</body>`);
  await page.screenshot({ path: join(to, `${name}.png`) });
  await page.close();
}
