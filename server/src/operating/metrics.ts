import { createServer, type Server } from 'node:http';
import type { RequestHandler } from 'express';
import { collectDefaultMetrics, Counter, Gauge, Histogram, Registry } from 'prom-client';
import type { Database } from '../database/connect';

/** Upper ends of the classes that answers are counted in, s. */
const SECONDS = [0.005, 0.01, 0.025, 0.05, 0.1, 0.25, 0.5, 1, 2.5, 5, 10, 30];

/** What an operator's program may read of a server: how it goes, never of whom. */
export class Metrics {
  readonly registry = new Registry();
  private readonly answers = new Histogram({
    name: 'tembrin_answer_seconds',
    help: 'Time to an answer, by operation and status.',
    labelNames: ['operation', 'status'],
    buckets: SECONDS,
    registers: [this.registry],
  });
  private readonly happened = new Counter({
    name: 'tembrin_happened_total',
    help: 'What happened: signed in, refused, failed.',
    labelNames: ['what'],
    registers: [this.registry],
  });

  constructor({ sequelize, long, reads }: Pick<Database, 'sequelize' | 'long' | 'reads'>) {
    collectDefaultMetrics({ register: this.registry });
    const connections = new Gauge({
      name: 'tembrin_database_connections',
      help: 'Connections to the database, by pool and state.',
      labelNames: ['pool', 'state'],
      registers: [this.registry],
      collect: () => {
        connections.set({ pool: 'reads', state: 'idle' }, reads.idle);
        connections.set({ pool: 'reads', state: 'used' }, reads.used);
        for (const [pool, { connectionManager }] of Object.entries({ short: sequelize, long })) {
          const { size = 0, available = 0 } =
            (connectionManager as { pool?: { size?: number; available?: number } }).pool ?? {};
          connections.set({ pool, state: 'idle' }, available);
          connections.set({ pool, state: 'used' }, size - available);
        }
      },
    });
  }

  /** Counts something that happened. @param what one of a few fixed words */
  count(what: string): void {
    this.happened.inc({ what });
  }

  /** Measures how long an operation takes to be answered. */
  measured(operation: string): RequestHandler {
    return (_request, response, next) => {
      const end = this.answers.startTimer({ operation });
      response.once('close', () => end({ status: response.writableEnded ? response.statusCode : 'gone' }));
      next();
    };
  }
}

/** Serves what is measured on loopback alone. @param text what there is to read */
export function metricsServer(port: number, text: () => Promise<string>, contentType: string): Server {
  return createServer((request, response) => {
    if (request.method !== 'GET' || request.url !== '/metrics') return void response.writeHead(404).end();
    text().then(
      (body) => response.writeHead(200, { 'Content-Type': contentType }).end(body),
      () => response.writeHead(500).end(),
    );
  }).listen(port, '127.0.0.1');
}
