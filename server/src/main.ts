import cluster from 'node:cluster';
import { SECOND_MS } from '@tembrin/core';
import { pino, type Logger } from 'pino';
import { AggregatorRegistry } from 'prom-client';
import { readConfig, type Config } from './config';
import { isPassing } from './database/transaction';
import { metricsServer } from './operating/metrics';
import { serve } from './serve';
import { answerPrimary, freePort, keepWorkers, measuredByAll } from './workers';

/** A server that is told to end has ended after so long; its launcher waits a little longer. */
const LONGEST_END_MS = 15 * SECOND_MS;

/** Serves from this process, or has workers do so. @returns how to stop */
async function run(config: Config, log: Logger): Promise<() => Promise<void>> {
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
    return async () => {
      metrics?.close();
      await stopWorkers();
    };
  }
  const { stop, metrics } = serve(config, log, cluster.isPrimary ? listening : () => undefined);
  if (cluster.isPrimary) {
    const server = measured(() => metrics.registry.metrics(), metrics.registry.contentType);
    return async () => {
      server?.close();
      await stop();
    };
  }
  AggregatorRegistry.setRegistries([metrics.registry]);
  new AggregatorRegistry();
  answerPrimary();
  return stop;
}

async function main() {
  const config = readConfig(process.env);
  const log = pino({ level: config.LOG_LEVEL });
  const stop = await run(config, log);
  let closing = false;
  const close = () => {
    if (closing) return;
    closing = true;
    // Whatever holds it up: it ends.
    setTimeout(() => process.exit(0), LONGEST_END_MS).unref();
    void stop().then(() => process.exit(0));
  };
  process.on('unhandledRejection', (reason) => {
    // The driver tells of a connection that is cut while it is made besides whoever waits for it: no cause to end.
    if (!isPassing(reason)) throw reason;
    log.warn({ errno: (reason as { errno?: number }).errno }, 'a connection was cut while it was made');
  });
  process.on('SIGTERM', close);
  process.on('SIGINT', close);
  process.on('disconnect', close);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
