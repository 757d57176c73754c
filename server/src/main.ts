import { HOUR_MS, MINUTE_MS } from '@tembrin/core';
import { pino } from 'pino';
import { createApp } from './app';
import { databaseAddress, readConfig } from './config';
import { connect } from './database/connect';
import { DemoLibraries } from './jobs/demo-libraries';

const RESTOCK_MS = HOUR_MS;
const PATIENCE_MS = 8_000;
const LONGEST_REQUEST_MS = 30 * MINUTE_MS;

async function main() {
  const config = readConfig(process.env);
  const log = pino({ level: config.LOG_LEVEL });
  const database = connect(databaseAddress(config));
  const demos = new DemoLibraries(database);
  const restock = () =>
    demos.restock().catch((error: unknown) => log.error({ err: error }, 'no demo library could be made'));
  await restock();
  const restocking = setInterval(() => void restock(), RESTOCK_MS);

  const app = createApp({ config, database, demos, log });
  const server = app.listen(config.PORT, config.HOST, (error) => {
    if (error) {
      log.error({ err: error }, 'cannot listen');
      process.exit(1);
    }
    const address = server.address();
    if (address && typeof address === 'object') process.send?.({ listening: address.port });
    log.info({ address }, 'listening');
  });

  // A large file over a slow line takes its time.
  server.requestTimeout = LONGEST_REQUEST_MS;

  let closing = false;
  const close = () => {
    if (closing) return;
    closing = true;
    clearInterval(restocking);
    // Requests under way are finished; after a while the rest is cut off.
    setTimeout(() => server.closeAllConnections(), PATIENCE_MS).unref();
    server.close(() => void database.close().then(() => process.exit(0)));
    server.closeIdleConnections();
  };
  process.on('SIGTERM', close);
  process.on('SIGINT', close);
  process.on('disconnect', close);
}

main().catch((error: unknown) => {
  console.error(error instanceof Error ? error.message : error);
  process.exit(1);
});
