import { readdirSync } from 'node:fs';
import { join } from 'node:path';
import { ROOT } from '../scripts/lib/project.mjs';
import { median } from './log';
import { DEMO, settled, QuietBrowser, type Marks } from './quiet-browser';

/**
 * Every page that has an address of its own, of the demo library, opened on a device that has the app: how far its parts move while it
 * comes, and the longest task after the first paint. A page that is over a limit is opened twice more, and the middle one counts: so
 * many openings have one that something else came between. Chromium slowed down fourfold.
 */
const url = process.env.TEMBRIN_URL!;
const SLOWED = 4;
const BASES = 9;
const OPENINGS = 3;
const SHIFT_LIMIT = 0.1;
const TASK_LIMIT_MS = 200;
const TITLE = '//*[@id="root"]//h1';
const OF_HOUSEHOLD = `fetch('/api/v1/household').then((answer) => answer.json())
  .then(({ instruments }) => instruments[0].id)`;
const OF_PLACES = `fetch('/api/v1/air').then((answer) => answer.json()).then(({ places }) => places[0].id)`;

async function addresses(browser: QuietBrowser, context: string): Promise<string[]> {
  const page = await browser.page(context);
  await page.go(`${url}/favicon.svg`, '/*');
  await page.evaluate(DEMO);
  const names: Readonly<Record<string, string>> = {
    id: await page.evaluate<string>(OF_HOUSEHOLD),
    place: await page.evaluate<string>(OF_PLACES),
    part: 'strings',
    look: 'strings',
    drill: 'order',
    job: 'fit',
  };
  await page.close();
  const folder = join(ROOT, 'app/src/app/(shell)');
  return readdirSync(folder, { recursive: true, encoding: 'utf8' })
    .filter((file) => file.endsWith('.tsx') && !file.endsWith('_layout.tsx'))
    .map((file) => `/${file.replace(/\.tsx$/, '').replace(/(^|\/)index$/, '')}`)
    .map((path) => path.replace(/\[(\w+)\]/g, (whole, name: string) => names[name] ?? whole))
    .filter((path) => !path.includes('['))
    .sort();
}

/** What of an opening is over its limit, to be said after it. */
function over({ shift, longAfterPaint }: Pick<Marks, 'shift' | 'longAfterPaint'>): string {
  const what = [shift > SHIFT_LIMIT ? 'moves' : '', longAfterPaint > TASK_LIMIT_MS ? 'long task' : ''].filter(Boolean);
  return what.length > 0 ? ` (${what.join(', ')})` : '';
}

const middle = (openings: readonly Marks[]) => {
  const of = (part: keyof Marks) => median(openings.map((opening) => opening[part]));
  return { usable: of('usable'), shift: of('shift'), longAfterPaint: of('longAfterPaint') };
};

async function main() {
  const browser = QuietBrowser.launch();
  const context = await browser.context();
  const paths = await addresses(browser, context);
  const kept = `navigator.serviceWorker.ready.then(() => ${settled(6000)})`;
  await browser.open(context, `${url}/now`, TITLE, 1, kept);
  const bases: number[] = [];
  for (let run = 0; run < BASES; run++)
    bases.push((await browser.open(context, `${url}/favicon.svg`, '/*', SLOWED)).usable);
  const base = median(bases);
  console.log(
    `Every page of the demo library opened by its address (${paths.length}; baseline ${base.toFixed(0)} ms)\n`,
  );
  for (const path of paths) {
    const open = () => browser.open(context, url + path, TITLE, SLOWED, settled(2000));
    const openings = [await open()];
    while (openings.length < OPENINGS && over(openings[0]!) !== '') openings.push(await open());
    const told = middle(openings);
    console.log(
      `${path.replace(/[0-9a-f-]{36}/, '…')}: ${told.usable.toFixed(0)} ms, ${(told.usable / base).toFixed(1)} × baseline; ` +
        `shift ${told.shift.toFixed(3)}, longest task after the first paint ${told.longAfterPaint.toFixed(0)} ms` +
        (openings.length > 1 ? `, of ${OPENINGS} openings` : '') +
        over(told),
    );
  }
  await browser.close();
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
