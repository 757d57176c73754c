import { median } from './log';
import { DEMO, settled, QuietBrowser, type Marks } from './quiet-browser';
import { told } from './told';

/**
 * The opening of every day: the app is kept on the device, its data too, and the stand is opened once more. Chromium slowed down
 * fourfold; baseline: the same browser opening the favicon from the same server.
 */
const urls = (process.env.URLS ?? process.env.TEMBRIN_URL!).split(',');
const RUNS = 9;
const SLOWED = 4;
/** What is shown before the app has come is none of its own yet. */
const USABLE = '//*[@id="root"]//button[contains(., "Start playing") and not(@disabled)]';

/** One build of the app, opened again and again. */
class Openings {
  private readonly runs: Marks[] = [];

  private constructor(
    private readonly browser: QuietBrowser,
    private readonly context: string,
    private readonly url: string,
  ) {}

  /** With the demo library, opened twice before it counts: the second time all of it comes from what is kept. */
  static async of(browser: QuietBrowser, url: string): Promise<Openings> {
    const openings = new Openings(browser, await browser.context(), url);
    await openings.baseline(DEMO);
    const kept = `navigator.serviceWorker.ready.then(() => ${settled(5000)})`;
    for (let visit = 0; visit < 2; visit++) await openings.open(1, kept);
    return openings;
  }

  private open(slowed: number, after: string): Promise<Marks> {
    return this.browser.open(this.context, `${this.url}/now`, USABLE, slowed, after);
  }

  async baseline(after?: string): Promise<number> {
    return (await this.browser.open(this.context, `${this.url}/favicon.svg`, '/*', SLOWED, after)).usable;
  }

  async run(): Promise<void> {
    this.runs.push(await this.open(SLOWED, settled(2000)));
  }

  tell(base: number): void {
    const of = (part: keyof Marks) => this.runs.map((run) => run[part]);
    console.log(told('First paint', of('painted'), base));
    console.log(told('Readable', of('readable'), base));
    console.log(told('Usable', of('usable'), base));
    console.log(told('Longest task', of('longest'), base));
    console.log(told('Longest task after the first paint', of('longAfterPaint'), base));
    console.log(`Layout shift: ${median(of('shift')).toFixed(3)}`);
  }
}

async function main() {
  const browser = QuietBrowser.launch();
  const builds: Openings[] = [];
  for (const url of urls) builds.push(await Openings.of(browser, url));
  const bases: number[] = [];
  for (let run = 0; run < RUNS; run++)
    for (const build of builds) {
      bases.push(await build.baseline());
      await build.run();
    }
  await browser.close();
  const base = median([...bases]);
  console.log(
    `Daily opening of the demo library, all of it kept, CPU slowed fourfold (median of ${RUNS}; baseline ${base.toFixed(0)} ms)`,
  );
  for (const build of builds) {
    console.log('');
    build.tell(base);
  }
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
