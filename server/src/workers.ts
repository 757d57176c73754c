import cluster, { type Worker } from 'node:cluster';
import { createServer, type AddressInfo } from 'node:net';
import { setTimeout as sleep } from 'node:timers/promises';
import { MINUTE_MS, SECOND_MS } from '@tembrin/core';
import type { Logger } from 'pino';
import { AggregatorRegistry } from 'prom-client';

/** A worker is asked so often whether it is there, and ended where it has not answered for so long. */
const ASKED_MS = 2 * SECOND_MS;
const SILENCE_MS = 30 * SECOND_MS;
/** One that is starting has so long: on a busy machine loading its program alone takes a minute. From memory. */
const STARTS_WITHIN_MS = 5 * MINUTE_MS;
/** A worker that ended is started again after a pause that doubles while they end soon. */
const FIRST_PAUSE_MS = SECOND_MS;
const LONGEST_PAUSE_MS = 30 * SECOND_MS;
const STEADY_MS = MINUTE_MS;

/** One that has not ended so long after it was told to is made to. */
const ENDED_AFTER_MS = 20 * SECOND_MS;

/** What the first process and its workers say to each other. */
type Word = 'there?' | 'there';
const isWord = (message: unknown, word: Word) => message === word;

/** Answers the first process, in a worker. */
export function answerPrimary(): void {
  process.on('message', (message) => {
    if (isWord(message, 'there?')) process.send?.('there' satisfies Word);
  });
}

/**
 * Keeps so many workers serving one port: who ends is started again, who is silent is ended.
 * @param port the same for all; 0 would be another once all that listened have ended
 * @param listening told once the first of them serves it
 * @returns how to stop them all
 */
export function keepWorkers(count: number, port: number, log: Logger, listening: () => void): () => Promise<void> {
  let stopping = false;
  const heard = new Map<Worker, number>();
  /** Those that have answered once: before that they are starting. */
  const started = new Set<Worker>();
  const pauses = new Map<Worker, number>();
  const start = (pauseMs: number) => {
    const worker = cluster.fork({ PORT: port });
    const began = Date.now();
    heard.set(worker, began);
    pauses.set(worker, pauseMs);
    worker.on('message', (message) => {
      if (!isWord(message, 'there')) return;
      started.add(worker);
      heard.set(worker, Date.now());
    });
    worker.once('exit', (code, signal) => {
      heard.delete(worker);
      started.delete(worker);
      if (stopping) return;
      const pause = Date.now() - began > STEADY_MS ? FIRST_PAUSE_MS : pauseMs;
      log.error({ code, signal, pauseMs: pause }, 'a worker ended by itself; it is started again');
      void sleep(pause).then(() => stopping || start(Math.min(LONGEST_PAUSE_MS, 2 * pause)));
    });
  };
  let told = false;
  cluster.on('listening', () => {
    if (!told) listening();
    told = true;
  });
  for (let each = 0; each < count; each++) start(FIRST_PAUSE_MS);
  const asking = setInterval(() => {
    for (const [worker, at] of heard) {
      const patienceMs = started.has(worker) ? SILENCE_MS : STARTS_WITHIN_MS;
      if (Date.now() - at > patienceMs) {
        log.error({ seconds: patienceMs / SECOND_MS }, 'a worker has not answered for so long and is ended');
        worker.process.kill('SIGKILL');
      } else if (worker.isConnected()) worker.send('there?' satisfies Word, () => undefined);
    }
  }, ASKED_MS);
  return async () => {
    stopping = true;
    clearInterval(asking);
    const ends = [...heard.keys()].map(
      (worker) =>
        new Promise<void>((resolve) => {
          worker.once('exit', () => resolve());
          worker.process.kill('SIGTERM');
          setTimeout(() => worker.process.kill('SIGKILL'), ENDED_AFTER_MS).unref();
        }),
    );
    await Promise.all(ends);
  };
}

/** What all workers measured, together. */
export function measuredByAll(): { text: () => Promise<string>; contentType: string } {
  const all = new AggregatorRegistry();
  return { text: () => all.clusterMetrics(), contentType: all.contentType };
}

/** A port that is free just now. */
export function freePort(host: string): Promise<number> {
  return new Promise((resolve, reject) => {
    const probe = createServer();
    probe.once('error', reject);
    probe.listen(0, host, () => {
      const { port } = probe.address() as AddressInfo;
      probe.close(() => resolve(port));
    });
  });
}
