import { readdirSync, statSync } from 'node:fs';
import { join } from 'node:path';
import { usualFacts } from '@tembrin/core';
import { v7 as uuid } from 'uuid';
import { median } from './log';
import { DEMO, posted, QuietBrowser, type Marks } from './quiet-browser';
import { told } from './told';

/** The first opening, on a device that has nothing of the app yet. Chromium slowed down fourfold; baseline: the favicon from the same server. */
const url = process.env.TEMBRIN_URL!;
const RUNS = 9;
const SLOWED = 4;
const button = (text: string) =>
  `//*[@id="root"]//*[@role="button" or self::button or self::a][contains(., "${text}") and not(@disabled)]`;
const timeZone = 'Europe/Lisbon';

interface Opening {
  name: string;
  path: string;
  usable: string;
  /** Done before, in the same empty browser, from a page that has nothing of the app. */
  before: () => string;
}

const OPENINGS: readonly Opening[] = [
  { name: 'Welcome usable', path: '/', usable: button('Start your own'), before: () => '0' },
  {
    name: 'Now usable, new account',
    path: '/now',
    usable: button('Start playing'),
    before: () => {
      const account = { email: `${uuid()}@example.org`, password: 'quiet harbour tern', timeZone };
      const violin = { id: uuid(), name: 'Violin', ...usualFacts('violin') };
      return `${posted('/accounts', account)}.then(() => ${posted('/instruments', violin)})`;
    },
  },
  {
    name: 'Now usable, demo library',
    path: '/now',
    usable: button('Start playing'),
    before: () => DEMO,
  },
];

async function main() {
  const browser = QuietBrowser.launch();
  const bases: number[] = [];
  const runs = new Map<string, Marks[]>();
  for (let run = 0; run < RUNS; run++)
    for (const { name, path, usable, before } of OPENINGS) {
      const context = await browser.context();
      bases.push((await browser.open(context, `${url}/favicon.svg`, '/*', SLOWED, before())).usable);
      runs.set(name, [...(runs.get(name) ?? []), await browser.open(context, url + path, usable, SLOWED)]);
      await browser.forget(context);
    }
  await browser.close();
  const base = median([...bases]);
  console.log(
    `First opening, nothing kept, CPU slowed fourfold (median of ${RUNS}; baseline ${base.toFixed(0)} ms: the favicon alone)\n`,
  );
  for (const [name, marks] of runs) {
    const usable = marks.map((each) => each.usable);
    const painted = median(marks.map((each) => each.painted));
    console.log(`${told(name, usable, base)}; first paint ${painted.toFixed(0)} ms`);
  }
  const scripts = join(process.env.STATIC_DIR!, '_expo/static/js/web');
  const total = (ending: string) =>
    readdirSync(scripts)
      .filter((name) => name.endsWith(ending))
      .reduce((sum, name) => sum + statSync(join(scripts, name)).size, 0);
  const kb = (bytes: number) => `${(bytes / 1024).toFixed(0)} KB`;
  console.log(
    `The whole app's JavaScript: ${kb(total('.js'))} plain, ${kb(total('.gz'))} gzip, ${kb(total('.br'))} brotli`,
  );
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
