import type { Server } from 'node:http';
import { HOUR_MS, MINUTE_MS, SECOND_MS } from '@tembrin/core';
import type { Logger } from 'pino';
import { createApp } from './app';
import { databaseAddress, type Config } from './config';
import { connect, type Database } from './database/connect';
import { forgetLimits } from './http/shared-counts';
import { sweepSessions } from './http/session-store';
import { DemoLibraries } from './jobs/demo-libraries';
import { watchLoop } from './operating/loop';
import { Metrics } from './operating/metrics';
import { roomIn } from './operating/ready';
import { Telling } from './operating/telling';
import { storageOf } from './photos/object-store';
import type { Storage } from './photos/storage';
import { sweepPhotos } from './photos/sweep';
import { officeOf, type Office } from './jobs/office';
import { Outside } from './sensors/simulators';
import { sweepInvitations } from './store/people';
import { sweepAccounts } from './store/account/leaving';
import { Watch } from './operating/watch';

const RESTOCK_MS = HOUR_MS;
const SWEEP_MS = 5 * MINUTE_MS;
const PATIENCE_MS = 8 * SECOND_MS;
const LONGEST_REQUEST_MS = 30 * MINUTE_MS;
/** No demo library is made where less room than this is left, bytes. */
const ROOM_FOR_DEMOS = 500_000_000;

/**
 * Serves the app from this process.
 * @param listening told the port
 * @returns how to stop, and who is told of what happens
 */
export function serve(config: Config, log: Logger, listening: (port: number) => void) {
  const database = connect(databaseAddress(config));
  const telling = new Telling(log);
  const watch = new Watch(telling, new Metrics(database));
  const loop = watchLoop(telling);
  const hasRoom = async () =>
    config.STORAGE_DIR === undefined || ((await roomIn(config.STORAGE_DIR)) ?? Infinity) > ROOM_FOR_DEMOS;
  const demos = new DemoLibraries(database, undefined, hasRoom);
  const storage = storageOf(config);
  const outside = new Outside(database, config.WEATHER_URL, config.HYGROMETER_URL);
  const office = officeOf(config, database, telling, outside);
  office.queue.start();
  office.rounds.start();
  const stopKeeping = keepHouse(database, demos, storage, office, telling);
  const app = createApp({ config, database, demos, office, outside, storage, log, loop, watch });
  const server = app.listen(config.PORT, config.HOST, (error) => {
    if (error) {
      log.error({ code: (error as NodeJS.ErrnoException).code }, 'cannot listen');
      process.exit(1);
    }
    const address = server.address();
    if (address && typeof address === 'object') listening(address.port);
    log.debug({ address }, 'listening');
  });
  // A large file over a slow line takes its time; who sends nothing is let go of long before.
  server.requestTimeout = LONGEST_REQUEST_MS;
  const stop = async () => {
    stopKeeping();
    loop.stop();
    await closed(server);
    await office.close();
    await database.close();
  };
  return { stop, watch };
}

/** What is done from time to time; each process may, and one at a time does. @returns how to stop it */
function keepHouse(
  database: Database,
  demos: DemoLibraries,
  storage: Storage | null,
  { accounts }: Office,
  telling: Telling,
): () => void {
  const doing = (what: string, work: () => Promise<void>) => () =>
    void work().catch((error: unknown) => telling.tell('error', `${what} failed`, { name: (error as Error).name }));
  const restock = doing('restocking demo libraries', () => demos.restock());
  const sweep = doing('sweeping away what is past', async () => {
    await forgetLimits(database);
    await sweepSessions(database);
    await sweepAccounts(accounts);
    await sweepInvitations(database);
    await sweepPhotos(database, storage);
  });
  restock();
  const timers = [setInterval(restock, RESTOCK_MS), setInterval(sweep, SWEEP_MS)];
  return () => timers.forEach(clearInterval);
}

/** Lets requests under way finish; after a while the rest is cut off. */
function closed(server: Server): Promise<void> {
  // One that does not listen yet would never say that it has ended.
  if (!server.listening) return Promise.resolve();
  return new Promise((resolve) => {
    setTimeout(() => server.closeAllConnections(), PATIENCE_MS).unref();
    server.close(() => resolve());
    server.closeIdleConnections();
  });
}
