import { spawn, type ChildProcess } from 'node:child_process';
import { mkdtempSync, rmSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import type { Readable, Writable } from 'node:stream';
import { CHROMIUM } from '../scripts/lib/chromium.mjs';

/**
 * Chromium as a player has it: nobody looks on. Whoever debugs a page has its engine note where each error and each request came from,
 * for which it reads whole bundles once more; a figure taken so is a third too high.
 */
interface Answer {
  id?: number;
  method?: string;
  result?: unknown;
  error?: { message: string };
}

/** What the page notes of itself, ms since it was asked for. */
export interface Marks {
  painted: number;
  /** A heading stands. */
  readable: number;
  /** What `usable` asks for stands. */
  usable: number;
  longest: number;
  longAfterPaint: number;
  shift: number;
  /** From a press to what is painted next, of the slowest press since it was last set to 0; 0 where it was too short to be noted. */
  press: number;
  /** From that press to the first frame with something else in it; 0 where nothing became of it. */
  changed: number;
}

/** What became of a press, ms. */
export type Pressed = Pick<Marks, 'press' | 'changed'>;

/** Runs in the page before anything of it. */
function watchPage(usable: string): void {
  const marks = { painted: 0, readable: 0, usable: 0, longest: 0, longAfterPaint: 0, shift: 0, press: 0, changed: 0 };
  Object.assign(window, { marks });
  const watch = (type: string, note: (entry: PerformanceEntry) => void) =>
    new PerformanceObserver((list) => list.getEntries().forEach(note)).observe({
      type,
      buffered: true,
      durationThreshold: 16,
    } as PerformanceObserverInit);
  watch('paint', ({ name, startTime }) => name === 'first-contentful-paint' && (marks.painted = startTime));
  watch('longtask', ({ startTime, duration }) => {
    marks.longest = Math.max(marks.longest, duration);
    if (marks.painted > 0 && startTime > marks.painted) marks.longAfterPaint = Math.max(marks.longAfterPaint, duration);
  });
  watch('layout-shift', (entry) => {
    const { value, hadRecentInput } = entry as PerformanceEntry & { value: number; hadRecentInput: boolean };
    if (!hadRecentInput) marks.shift += value;
  });
  watch('event', ({ duration }) => (marks.press = Math.max(marks.press, duration)));
  let pressedAt = 0;
  addEventListener('pointerdown', ({ timeStamp }) => (pressedAt = timeStamp), { capture: true });
  new MutationObserver(() => {
    if (pressedAt === 0) return;
    const since = pressedAt;
    pressedAt = 0;
    requestAnimationFrame(() => (marks.changed = performance.now() - since));
  }).observe(document, { childList: true, characterData: true, subtree: true });
  const look = () => {
    // What is kept of the page is a tree of its own.
    const trees = [document, ...Array.from(document.body?.children ?? [], ({ shadowRoot }) => shadowRoot)];
    if (!marks.readable && trees.some((tree) => tree?.querySelector('h1'))) marks.readable = performance.now();
    if (!marks.usable && document.evaluate(usable, document, null, 3).booleanValue) marks.usable = performance.now();
  };
  new MutationObserver(look).observe(document, { childList: true, subtree: true, attributes: true });
}

/** Where something that can be pressed stands on the screen, once it does; null before. */
function middleOf(xpath: string): { x: number; y: number } | null {
  const found = document.evaluate(xpath, document, null, 9).singleNodeValue as HTMLElement | null;
  if (!found) return null;
  found.scrollIntoView({ block: 'center', behavior: 'instant' });
  const { left, top, width, height } = found.getBoundingClientRect();
  const [x, y] = [left + width / 2, top + height / 2];
  const there = document.elementFromPoint(x, y);
  return there && (found.contains(there) || there.contains(found)) ? { x, y } : null;
}

type Send = <T>(method: string, params: object) => Promise<T>;
/** What compiled this file has each function told its name; pages have no helper for that. */
const inPage = (work: (asked: string) => unknown, asked: string) =>
  `(() => { const __name = (work) => work; return (${work.toString()})(${JSON.stringify(asked)}); })()`;
const wait = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));
const PATIENCE_MS = 60_000;
const SETTLED_MS = 600;

/** An expression that is over after so long. */
export const settled = (ms: number) => `new Promise((resolve) => setTimeout(resolve, ${ms}))`;

/** An expression that sends something to the server, as whoever is signed in in that page. It throws where it is refused. */
export const posted = (path: string, body: object) =>
  `fetch('/api/v1${path}', { method: 'POST', body: ${JSON.stringify(JSON.stringify(body))},
    headers: { 'content-type': 'application/json', 'x-tembrin': '1' } }).then(async (answer) => {
      if (!answer.ok) throw new Error('${path}: ' + (await answer.text()));
      return answer.status === 204 ? null : answer.json(); })`;

/** An expression that opens a demo library of one's own. */
export const DEMO = posted('/demo', { timeZone: 'Europe/Lisbon' });

/** A page of a phone that nobody looks on. */
export class QuietPage {
  constructor(
    private readonly send: Send,
    readonly close: () => Promise<unknown>,
  ) {}

  /** What an expression comes to in the page. @throws Error where it throws there */
  async evaluate<T>(expression: string): Promise<T> {
    const asked = { expression, returnByValue: true, awaitPromise: true };
    type Told = { result: { value: T }; exceptionDetails?: { text: string } };
    const { result, exceptionDetails } = await this.send<Told>('Runtime.evaluate', asked);
    if (exceptionDetails) throw new Error(`${expression}: ${exceptionDetails.text}`);
    return result.value;
  }

  /** Goes to an address. @param usable XPath of what is waited for */
  async go(url: string, usable: string): Promise<void> {
    const known = await this.send<{ identifier: string }>('Page.addScriptToEvaluateOnNewDocument', {
      source: inPage(watchPage as (asked: string) => unknown, usable),
    });
    await this.send('Page.navigate', { url });
    const until = Date.now() + PATIENCE_MS;
    while (!(await this.marks())?.usable) {
      if (Date.now() > until) throw new Error(`${url} never had ${usable}`);
      await wait(200);
    }
    await this.send('Page.removeScriptToEvaluateOnNewDocument', known);
  }

  marks(): Promise<Marks | null> {
    return this.evaluate<Marks | null>('window.marks ?? null');
  }

  /** Presses what an XPath finds, as soon as it is there. @returns what became of it; a press is 16 ms at least */
  async press(xpath: string): Promise<Pressed> {
    const until = Date.now() + PATIENCE_MS;
    let at: { x: number; y: number } | null = null;
    while (!(at = await this.evaluate<{ x: number; y: number } | null>(inPage(middleOf, xpath)))) {
      if (Date.now() > until) throw new Error(`There was never ${xpath}`);
      await wait(50);
    }
    await this.evaluate('void Object.assign(window.marks, { press: 0, changed: 0 })');
    const pressed = { ...at, button: 'left', clickCount: 1 };
    await this.send('Input.dispatchMouseEvent', { type: 'mousePressed', ...pressed });
    await this.send('Input.dispatchMouseEvent', { type: 'mouseReleased', ...pressed });
    await wait(SETTLED_MS);
    const { press, changed } = (await this.marks())!;
    return { press: Math.max(16, press), changed };
  }
}

export class QuietBrowser {
  private readonly waiting = new Map<number, { resolve: (result: never) => void; reject: (error: Error) => void }>();
  private count = 0;
  private text = '';

  private constructor(
    private readonly process: ChildProcess,
    private readonly folder: string,
  ) {
    (process.stdio[4] as Readable).setEncoding('utf8').on('data', (part: string) => {
      this.text += part;
      const messages = this.text.split('\0');
      this.text = messages.pop()!;
      for (const message of messages) this.take(JSON.parse(message) as Answer);
    });
  }

  static launch(): QuietBrowser {
    const folder = mkdtempSync(join(tmpdir(), 'tembrin-bench-'));
    const args = [
      ...CHROMIUM.args,
      '--headless',
      '--remote-debugging-pipe',
      `--user-data-dir=${folder}`,
      'about:blank',
    ];
    const stdio = ['ignore', 'ignore', 'ignore', 'pipe', 'pipe'] as const;
    return new QuietBrowser(spawn(CHROMIUM.executablePath, args, { stdio: [...stdio] }), folder);
  }

  private take({ id, result, error }: Answer): void {
    const waiting = id === undefined ? undefined : this.waiting.get(id);
    if (!waiting) return;
    this.waiting.delete(id!);
    if (error) waiting.reject(new Error(error.message));
    else waiting.resolve(result as never);
  }

  private send<T>(method: string, params: object, sessionId?: string): Promise<T> {
    const id = ++this.count;
    (this.process.stdio[3] as Writable).write(`${JSON.stringify({ id, method, params, sessionId })}\0`);
    return new Promise((resolve, reject) => this.waiting.set(id, { resolve, reject }));
  }

  /** An empty browser within this one: cookies, caches and what pages keep are its own. */
  async context(): Promise<string> {
    return (await this.send<{ browserContextId: string }>('Target.createBrowserContext', {})).browserContextId;
  }

  /** An empty page. @param slowed how many times slower than this machine */
  async page(browserContextId: string, slowed = 1): Promise<QuietPage> {
    const { targetId } = await this.send<{ targetId: string }>('Target.createTarget', {
      url: 'about:blank',
      browserContextId,
    });
    const { sessionId } = await this.send<{ sessionId: string }>('Target.attachToTarget', { targetId, flatten: true });
    const send: Send = (method, params) => this.send(method, params, sessionId);
    const size = { width: 390, height: 844, deviceScaleFactor: 1, mobile: false };
    await send('Emulation.setDeviceMetricsOverride', size);
    if (slowed > 1) await send('Emulation.setCPUThrottlingRate', { rate: slowed });
    await send('Page.enable', {});
    return new QuietPage(send, () => this.send('Target.closeTarget', { targetId }));
  }

  /**
   * Opens a page, waits until something stands in it, and closes it.
   * @param usable XPath of what is waited for
   * @param slowed how many times slower than this machine
   * @param after an expression that is worked out in the page once it stands there
   */
  async open(context: string, url: string, usable: string, slowed = 1, after = '0'): Promise<Marks> {
    const page = await this.page(context, slowed);
    await page.go(url, usable);
    await page.evaluate(after);
    const marks = (await page.marks())!;
    // A heading that is not painted yet is not read.
    marks.readable = Math.max(marks.readable, marks.painted);
    await page.close();
    return marks;
  }

  /** Puts an empty browser away, with all that it kept. */
  async forget(browserContextId: string): Promise<void> {
    await this.send('Target.disposeBrowserContext', { browserContextId });
  }

  async close(): Promise<void> {
    const gone = new Promise((resolve) => this.process.once('exit', resolve));
    this.process.kill();
    await gone;
    // Its helpers write for a moment longer.
    await wait(1000);
    rmSync(this.folder, { recursive: true, force: true });
  }
}
