import { API_ROOT, WORKSHOP_ROOT } from '@tembrin/contract';
import compression from 'compression';
import express, { type Express } from 'express';
import type { Logger } from 'pino';
import { pinoHttp } from 'pino-http';
import type { Config } from './config';
import type { Database } from './database/connect';
import { apiDescription } from './http/description';
import { noSuchRoute, problemAnswers } from './http/errors';
import { operationsRouter } from './http/operations';
import { pages } from './http/pages';
import { limitsOf } from './http/limits';
import { bodyPatience, type Patience } from './http/patience';
import { noteRequest } from './operating/escaped';
import type { Loop } from './operating/loop';
import type { Watch } from './operating/watch';
import { answerHeaders, ownPagesOnly, securityHeaders } from './http/security';
import { signInSessions } from './http/sessions';
import type { Outside } from './sensors/simulators';
import type { Office } from './jobs/office';
import type { DemoLibraries } from './jobs/demo-libraries';
import type { Storage } from './photos/storage';
import { handlersFor } from './routes/handlers';
import { workshopPages } from './workshop/router';

export interface AppParts {
  config: Pick<Config, 'SESSION_SECRET' | 'STATIC_DIR' | 'TRUSTED_PROXIES' | 'SIGN_IN_LIMIT' | 'OPENING_LIMIT'> &
    Pick<Config, 'SENSOR_LIMIT' | 'HOUSEHOLD_LIMIT' | 'STORAGE_DIR' | 'PHOTOS_DIR' | 'STATIC_BEFORE_DIR'>;
  database: Database;
  demos: DemoLibraries;
  office: Pick<Office, 'accounts' | 'reminders'>;
  /** The weather service, and simulated hygrometers. */
  outside: Outside;
  /** Where photographs are kept; null where they are not. */
  storage: Storage | null;
  log: Logger;
  loop: Pick<Loop, 'longestMs'>;
  watch: Watch;
  checkResponses?: boolean;
  /** Other patience with slow senders than usual, for tests. */
  patience?: Patience;
}

const JSON_TYPES = ['application/json', 'application/senml+json'];
/** A private address is nobody's business, not even the log's. */
const FEED = /\/feed\/.*/;
const UNSUBSCRIBE = /\/unsubscribe\/.*/;
const WORKSHOP = /\/workshop\/[^/]+/;
const UUID = /[0-9a-f]{8}-[0-9a-f-]{27}/gi;

/** What a log line says of a request: what was asked and how it went, without addresses, cookies, ids or keys. */
const requestLog = (log: Logger) =>
  pinoHttp({
    logger: log,
    serializers: {
      req: ({ method, url }: { method: string; url: string }) => ({
        method,
        path: url
          .split('?')[0]!
          .replaceAll(UUID, ':id')
          .replace(FEED, '/feed/:key')
          .replace(UNSUBSCRIBE, '/unsubscribe/:key')
          .replace(WORKSHOP, '/workshop/:key'),
      }),
      res: ({ statusCode }: { statusCode: number }) => ({ status: statusCode }),
    },
    // What fails is told of elsewhere, in bounds.
    customLogLevel: () => 'debug',
  });

/** Puts the server together. */
export function createApp({
  config,
  database,
  demos,
  office: { accounts, reminders },
  outside,
  storage,
  log,
  loop,
  watch,
  checkResponses = false,
  patience,
}: AppParts): Express {
  const app = express();
  app.set('trust proxy', config.TRUSTED_PROXIES);
  app.disable('x-powered-by');
  // It costs a twentieth of an answer, and says nothing unless it is asked to.
  if (log.isLevelEnabled('debug')) app.use(requestLog(log));
  app.use(noteRequest, securityHeaders(), answerHeaders);
  app.use(compression());

  app.use(API_ROOT, bodyPatience(watch, patience));
  app.use(
    API_ROOT,
    ownPagesOnly(watch),
    express.json({ limit: '1mb', type: JSON_TYPES }),
    signInSessions(database, config.SESSION_SECRET),
  );
  let description: object | null = null;
  app.get(`${API_ROOT}/openapi.json`, (_request, response) => response.json((description ??= apiDescription())));
  // The address of a letter's one-click end, opened by somebody instead of asked by a mail program.
  app.get(`${API_ROOT}/reminders/unsubscribe/:key`, (request, response) =>
    response.redirect(303, `/told#${encodeURIComponent(request.params.key)}`),
  );
  app.use(
    operationsRouter({
      handlers: handlersFor({
        database,
        demos,
        accounts,
        reminders,
        outside,
        secret: config.SESSION_SECRET,
        storage,
        loop,
        folders: [config.STORAGE_DIR, config.PHOTOS_DIR].filter((folder) => folder !== undefined),
        watch,
      }),
      database,
      accounts,
      limits: limitsOf(database, config, watch),
      measured: (operation) => watch.metrics.measured(operation),
      checkResponses,
    }),
  );
  app.use(
    WORKSHOP_ROOT,
    bodyPatience(watch, patience),
    workshopPages({ database, storage, secret: config.SESSION_SECRET, watch }),
  );
  if (config.STATIC_DIR) app.use(pages(config.STATIC_DIR, config.STATIC_BEFORE_DIR));
  app.use(noSuchRoute);
  app.use(problemAnswers(watch));
  return app;
}
