import cluster from 'node:cluster';
import { SECOND_MS } from '@tembrin/core';
import { pino, type Logger } from 'pino';
import { AggregatorRegistry } from 'prom-client';
import { readConfig, type Config } from './config';
import { catchEscaped } from './operating/escaped';
import { metricsServer } from './operating/metrics';
import type { Happening } from './operating/watch';
import { serve } from './serve';
import { answerPrimary, freePort, keepWorkers, measuredByAll } from './workers';

/** A server that is told to end has ended after so long; its launcher waits a little longer. */
const LONGEST_END_MS = 15 * SECOND_MS;

interface Run {
  stop: () => Promise<void>;
  /** Is told what happens to this process. */
  happened: (what: Happening, facts: object) => void;
}

/** Serves from this process, or has workers do so. */
async function run(config: Config, log: Logger): Promise<Run> {
  const listening = (port: number) => process.send?.({ listening: port });
  const measured = (text: () => Promise<string>, contentType: string) => {
    if (config.METRICS_PORT === undefined) return null;
    const server = metricsServer(config.METRICS_PORT, text, contentType);
    server.on('error', (error: NodeJS.ErrnoException) =>
      log.warn({ code: error.code, port: config.METRICS_PORT }, 'measurements cannot be read: set METRICS_PORT'),
    );
    return server;
  };
  if (config.WORKERS > 1 && cluster.isPrimary) {
    const port = config.PORT || (await freePort(config.HOST));
    const stopWorkers = keepWorkers(config.WORKERS, port, log, () => listening(port));
    const all = measuredByAll();
    const metrics = measured(all.text, all.contentType);
    const stop = async () => {
      metrics?.close();
      await stopWorkers();
    };
    return { stop, happened: (what, facts) => log.error(facts, what) };
  }
  const { stop, watch } = serve(config, log, cluster.isPrimary ? listening : () => undefined);
  const happened = watch.happened.bind(watch);
  const { registry } = watch.metrics;
  if (cluster.isPrimary) {
    const server = measured(() => registry.metrics(), registry.contentType);
    const stopBoth = async () => {
      server?.close();
      await stop();
    };
    return { stop: stopBoth, happened };
  }
  AggregatorRegistry.setRegistries([registry]);
  new AggregatorRegistry();
  answerPrimary();
  return { stop, happened };
}

async function main() {
  const config = readConfig(process.env);
  const log = pino({ level: config.LOG_LEVEL });
  const { stop, happened } = await run(config, log);
  let closing = false;
  const closeWith = (code: number) => {
    if (closing) return;
    closing = true;
    // Whatever holds it up: it ends.
    setTimeout(() => process.exit(code), LONGEST_END_MS).unref();
    void stop().then(
      () => process.exit(code),
      () => process.exit(1),
    );
  };
  const close = () => closeWith(0);
  catchEscaped(happened, () => closeWith(1));
  process.on('SIGTERM', close);
  process.on('SIGINT', close);
  process.on('disconnect', close);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
