import { HOUR_MS, MINUTE_MS, SECOND_MS } from '@tembrin/core';
import { QueryTypes, type Transaction } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Database } from '../database/connect';
import { inTransaction, retried } from '../database/transaction';
import { utc } from '../database/utc';
import type { Telling } from '../operating/telling';
import { toldOf } from '../problems/told';

/** What is done at its time, by its kind, with what it needs to know. */
export type Work<Data extends Record<keyof Data, object>> = {
  [K in keyof Data]: (data: Data[K], job: { id: string; tries: number }) => Promise<void>;
};

/** It will not come off however often it is tried. */
export class Hopeless extends Error {}

/** Who took a job and says nothing for so long has ended: another does it. From memory: many times what one takes. */
const HELD_MS = 3 * MINUTE_MS;
/** Pauses after the first try, the second, and so on; after the last it is given up. From memory: what mail servers do. */
const PAUSES_MS = [MINUTE_MS, 5 * MINUTE_MS, 30 * MINUTE_MS, 2 * HOUR_MS, 6 * HOUR_MS, 12 * HOUR_MS] as const;
/** Jobs taken at a time. */
const AT_ONCE = 10;
/** A process looks for jobs so often, and at once where it added one itself. */
const LOOKED_MS = 5 * SECOND_MS;

interface Taken {
  id: string;
  kind: string;
  data: string;
  tries: number;
}

/**
 * Things to be done once at their time, as rows of the database: whichever process is free takes some, so that none is done by two.
 * One whose process ends in the middle is done by another a little later, under the same id.
 */
export class Queue<Data extends Record<keyof Data, object>> {
  private timer: ReturnType<typeof setInterval> | null = null;
  private round: Promise<void> | null = null;
  private again = false;

  constructor(
    private readonly database: Pick<Database, 'sequelize' | 'long' | 'models'>,
    private readonly work: Work<Data>,
    private readonly telling: Pick<Telling, 'tell'>,
  ) {}

  /**
   * Puts something down to be done.
   * @param transaction with which it is put down, or not; then `kick` once that is done
   */
  async add<K extends keyof Data & string>(
    kind: K,
    data: Data[K],
    { dueAt = new Date(), transaction }: { dueAt?: Date; transaction?: Transaction } = {},
  ): Promise<void> {
    const row = { id: uuid(), kind, data: JSON.stringify(data), dueAt, madeAt: new Date() };
    await this.database.models.Job.create(row, { transaction });
    if (!transaction) this.kick();
  }

  /** Has this process look for jobs now and then. */
  start(): void {
    this.timer = setInterval(() => this.kick(), LOOKED_MS);
  }

  /** Looks at once, without waiting for what comes of it. Where this process does no jobs, nothing happens. */
  kick(): void {
    if (!this.timer) return;
    if (this.round) {
      this.again = true;
      return;
    }
    this.round = this.drain()
      .then(
        () => undefined,
        (error: unknown) => this.telling.tell('error', 'taking jobs failed', { failure: toldOf(error) }),
      )
      .finally(() => {
        this.round = null;
        if (this.again && this.timer) {
          this.again = false;
          this.kick();
        }
      });
  }

  /** Takes no more jobs; resolves once those in hand are done. */
  async stop(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    await this.round;
  }

  /** Does what is due, until nothing is. @returns how many were done or tried */
  async drain(now: () => Date = () => new Date()): Promise<number> {
    let count = 0;
    for (;;) {
      const taken = await this.take(now());
      if (taken.length === 0) return count;
      count += taken.length;
      await Promise.all(taken.map((job) => this.carryOut(job, now())));
    }
  }

  /** Takes jobs that are due and nobody has in hand. */
  private take(now: Date): Promise<Taken[]> {
    return inTransaction(this.database, async (transaction) => {
      const { sequelize } = this.database;
      const jobs = await sequelize.query<Taken>(
        `SELECT id, kind, data, tries FROM jobs WHERE dueAt <= :now ORDER BY dueAt LIMIT ${AT_ONCE} FOR UPDATE SKIP LOCKED`,
        { replacements: { now: utc(now) }, type: QueryTypes.SELECT, transaction },
      );
      if (jobs.length > 0)
        await sequelize.query('UPDATE jobs SET tries = tries + 1, dueAt = :until WHERE id IN (:ids)', {
          replacements: { until: utc(new Date(now.getTime() + HELD_MS)), ids: jobs.map(({ id }) => id) },
          transaction,
        });
      return jobs;
    });
  }

  private async carryOut({ id, kind, data, tries }: Taken, now: Date): Promise<void> {
    const { Job } = this.database.models;
    try {
      const doing = this.work[kind as keyof Data] as Work<Data>[keyof Data] | undefined;
      // A newer server put it down: it is left to that one.
      if (!doing) return;
      await doing(JSON.parse(data) as Data[keyof Data], { id, tries });
    } catch (error) {
      const pause = error instanceof Hopeless ? undefined : PAUSES_MS[tries];
      const failure = { kind, tries: tries + 1, failure: toldOf(error) };
      if (pause !== undefined) {
        this.telling.tell('warn', 'a job failed and is tried again', failure);
        await retried(() => Job.update({ dueAt: new Date(now.getTime() + pause) }, { where: { id } }));
        return;
      }
      this.telling.tell('error', 'a job was given up', failure);
    }
    await retried(() => Job.destroy({ where: { id } }));
  }
}
