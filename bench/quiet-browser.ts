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
}

/** Runs in the page before anything of it. */
function watchPage(usable: string): void {
  const marks = { painted: 0, readable: 0, usable: 0, longest: 0, longAfterPaint: 0, shift: 0 };
  Object.assign(window, { marks });
  const watch = (type: string, note: (entry: PerformanceEntry) => void) =>
    new PerformanceObserver((list) => list.getEntries().forEach(note)).observe({ type, buffered: true });
  watch('paint', ({ name, startTime }) => name === 'first-contentful-paint' && (marks.painted = startTime));
  watch('longtask', ({ startTime, duration }) => {
    marks.longest = Math.max(marks.longest, duration);
    if (marks.painted > 0 && startTime > marks.painted) marks.longAfterPaint = Math.max(marks.longAfterPaint, duration);
  });
  watch('layout-shift', (entry) => (marks.shift += (entry as PerformanceEntry & { value: number }).value));
  const look = () => {
    if (!marks.readable && document.querySelector('h1')) marks.readable = performance.now();
    if (!marks.usable && document.evaluate(usable, document, null, 3).booleanValue) marks.usable = performance.now();
  };
  new MutationObserver(look).observe(document, { childList: true, subtree: true, attributes: true });
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

  /**
   * Opens a page, and waits until something stands in it.
   * @param usable XPath of what is waited for
   * @param slowed how many times slower than this machine
   * @param after an expression that is worked out in the page once it stands there
   */
  async open(context: string, url: string, usable: string, slowed = 1, after = '0'): Promise<Marks> {
    const { targetId } = await this.send<{ targetId: string }>('Target.createTarget', {
      url: 'about:blank',
      browserContextId: context,
    });
    const { sessionId } = await this.send<{ sessionId: string }>('Target.attachToTarget', { targetId, flatten: true });
    const evaluate = async <T>(expression: string) => {
      const asked = { expression, returnByValue: true, awaitPromise: true };
      type Told = { result: { value: T }; exceptionDetails?: { text: string } };
      const { result, exceptionDetails } = await this.send<Told>('Runtime.evaluate', asked, sessionId);
      if (exceptionDetails) throw new Error(`${expression}: ${exceptionDetails.text}`);
      return result.value;
    };
    const size = { width: 390, height: 844, deviceScaleFactor: 1, mobile: false };
    await this.send('Emulation.setDeviceMetricsOverride', size, sessionId);
    if (slowed > 1) await this.send('Emulation.setCPUThrottlingRate', { rate: slowed }, sessionId);
    await this.send('Page.enable', {}, sessionId);
    // What compiled this file has each function told its name.
    const source = `const __name = (work) => work; (${watchPage.toString()})(${JSON.stringify(usable)})`;
    await this.send('Page.addScriptToEvaluateOnNewDocument', { source }, sessionId);
    await this.send('Page.navigate', { url }, sessionId);
    for (let marks: Marks | null = null; !marks?.usable; marks = await evaluate('window.marks ?? null'))
      await new Promise((resolve) => setTimeout(resolve, 200));
    await evaluate(after);
    const marks = await evaluate<Marks>('window.marks');
    // A heading that is not painted yet is not read.
    marks.readable = Math.max(marks.readable, marks.painted);
    await this.send('Target.closeTarget', { targetId });
    return marks;
  }

  close(): void {
    this.process.once('exit', () => rmSync(this.folder, { recursive: true, force: true }));
    this.process.kill();
  }
}
