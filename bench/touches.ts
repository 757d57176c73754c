import { median } from './log';
import { DEMO, settled, QuietBrowser, type Pressed, type QuietPage } from './quiet-browser';

/**
 * From a press to what is painted next, for the buttons of the two rounds of a demo library, on a device that has the app. Chromium slowed
 * down fourfold. The limit is what is usually called good for a page (common practice).
 */
const url = process.env.TEMBRIN_URL!;
const RUNS = 5;
const SLOWED = 4;
const LIMIT_MS = 200;

const button = (text: string) => `//*[@id="root"]//button[contains(., "${text}") and not(@disabled)]`;
const link = (text: string) => `//*[@id="root"]//a[contains(., "${text}")]`;
const USABLE = button('Start playing');

/** Presses in the order of an evening; what is not there this evening is passed over. */
const EVENING: readonly (readonly [name: string, xpath: string])[] = [
  ['Before you play', link('Before you play')],
  ['As usual, unfolded', button('As usual')],
  ['Write down the turns', button('Write down the turns')],
  ['Close', '//*[@aria-label="Close"]'],
  ['Start playing', USABLE],
  ['Rosined just now', button('Rosined just now')],
  ['Finish', button('Finish')],
  ['Skip', button('Skip')],
  ['Undo', button('Undo')],
  ['Done, the first step', button('Done')],
  ['Hands-busy view', '//*[@aria-label="Hands-busy view"]'],
  ['Usual view', button('Usual view')],
  ['Done, the second step', button('Done')],
  ['Later', button('Later')],
  ['Go on with the round', button('Go on with the closing round')],
  ['Done, the third step', button('Done')],
];

async function evening(page: QuietPage, times: Map<string, Pressed[]>): Promise<void> {
  for (const [name, xpath] of EVENING) times.set(name, [...(times.get(name) ?? []), await page.press(xpath)]);
}

async function main() {
  const browser = QuietBrowser.launch();
  const times = new Map<string, Pressed[]>();
  const bases: number[] = [];
  for (let run = 0; run < RUNS; run++) {
    const context = await browser.context();
    bases.push((await browser.open(context, `${url}/favicon.svg`, '/*', SLOWED, DEMO)).usable);
    await browser.open(context, `${url}/now`, USABLE, 1, `navigator.serviceWorker.ready.then(() => ${settled(5000)})`);
    const page = await browser.page(context, SLOWED);
    await page.go(`${url}/now`, USABLE);
    await page.evaluate(settled(4000));
    await evening(page, times);
    await page.close();
    await browser.forget(context);
  }
  await browser.close();
  const base = median(bases);
  console.log(
    `From a press to the next paint, demo library, CPU slowed fourfold (median of ${RUNS}; limit ${LIMIT_MS} ms; baseline ${base.toFixed(0)} ms)\n`,
  );
  for (const [name, all] of times) {
    const of = (part: keyof Pressed) => all.map((each) => each[part]);
    const ms = median(of('press'));
    const over = ms > LIMIT_MS ? ' (too long)' : '';
    console.log(
      `${name}: ${ms.toFixed(0)} ms, ${(ms / base).toFixed(1)} × baseline, longest ${Math.max(...of('press'))} ms; what came of it after ${median(of('changed')).toFixed(0)} ms${over}`,
    );
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
