import { MINUTE_MS, SECOND_MS } from '@tembrin/core';
import { QueryTypes } from 'sequelize';
import { v7 as uuid } from 'uuid';
import type { Config } from '../config';
import { inTransaction, retried } from '../database/transaction';
import type { Telling } from '../operating/telling';
import { toldOf } from '../problems/told';
import { beginRounds } from '../store/rounds';
import { lookAt, type LookGround } from './look';
import { utc } from '../database/utc';

/** A process looks for households to look at so often. */
const LOOKED_MS = 15 * SECOND_MS;
/** New households are found so often. */
const BEGUN_MS = 5 * MINUTE_MS;
/** Who took a household and says nothing for so long has ended: another looks at it. */
const HELD_MS = 3 * MINUTE_MS;
/** After a failure a household is looked at again so much later. */
const FAILED_MS = 15 * MINUTE_MS;
/** Households taken at a time: they are looked at one after another, so that whoever asks something is answered between them. */
const AT_ONCE = 5;

type RoundSettings = Pick<Config, 'LOOK_DELAY_S' | 'LOOK_SPACING_S'>;

/**
 * Looks at each household for what there is to tell its people: some time after something new is known of it, and when its own hour
 * comes. Whichever process is free takes some, so that none is looked at by two.
 */
export class Rounds {
  private timer: ReturnType<typeof setInterval> | null = null;
  private round: Promise<void> | null = null;
  private begunAt = -Infinity;

  constructor(
    private readonly ground: LookGround,
    private readonly settings: RoundSettings,
    private readonly telling: Pick<Telling, 'tell'>,
    private readonly lookedMs = LOOKED_MS,
  ) {}

  start(): void {
    this.timer = setInterval(() => this.go(), Math.min(this.lookedMs, Math.max(1, this.settings.LOOK_DELAY_S) * 1000));
  }

  private go(): void {
    this.round ??= this.goRound()
      .catch((error: unknown) => this.telling.tell('error', 'looking at households failed', { failure: toldOf(error) }))
      .finally(() => {
        this.round = null;
      });
  }

  private async goRound(): Promise<void> {
    if (Date.now() - this.begunAt > Math.min(BEGUN_MS, this.settings.LOOK_DELAY_S * 10 * SECOND_MS)) {
      this.begunAt = Date.now();
      await beginRounds(this.ground.database.sequelize);
    }
    await this.drain(
      () => new Date(),
      () => this.timer === null,
    );
  }

  /** Takes no more households; resolves once the one in hand is done. */
  async stop(): Promise<void> {
    if (this.timer) clearInterval(this.timer);
    this.timer = null;
    await this.round;
  }

  /** Looks at all that are due. @param ended asked before each: whether to leave the rest. @returns how many were looked at */
  async drain(now: () => Date = () => new Date(), ended: () => boolean = () => false): Promise<number> {
    let count = 0;
    for (;;) {
      const holder = uuid();
      const taken = await this.take(now(), holder);
      if (taken.length === 0) return count;
      for (const householdId of taken) {
        if (ended()) return count;
        await this.lookAt(householdId, holder, now());
        count++;
      }
    }
  }

  private take(now: Date, holder: string): Promise<string[]> {
    const { sequelize } = this.ground.database;
    const { LOOK_DELAY_S, LOOK_SPACING_S } = this.settings;
    return inTransaction(this.ground.database, async (transaction) => {
      const rows = await sequelize.query<{ householdId: string }>(
        `SELECT householdId FROM notice_rounds
         WHERE (dueAt <= :now OR (askedAt <= :asked AND (judgedAt IS NULL OR judgedAt <= :judged)))
           AND (heldUntil IS NULL OR heldUntil <= :now)
         ORDER BY dueAt LIMIT ${AT_ONCE} FOR UPDATE SKIP LOCKED`,
        {
          type: QueryTypes.SELECT,
          transaction,
          replacements: {
            now: utc(now),
            asked: utc(new Date(now.getTime() - LOOK_DELAY_S * SECOND_MS)),
            judged: utc(new Date(now.getTime() - LOOK_SPACING_S * SECOND_MS)),
          },
        },
      );
      const ids = rows.map(({ householdId }) => householdId);
      // What is asked for from now on is asked for anew; whoever takes it over finds it due.
      if (ids.length > 0)
        await sequelize.query(
          `UPDATE notice_rounds SET askedAt = NULL, dueAt = LEAST(dueAt, :now), holder = :holder, heldUntil = :until
           WHERE householdId IN (:ids)`,
          { replacements: { ids, now: utc(now), holder, until: utc(new Date(now.getTime() + HELD_MS)) }, transaction },
        );
      return ids;
    });
  }

  private async lookAt(householdId: string, holder: string, now: Date): Promise<void> {
    let next: number | null = now.getTime() + FAILED_MS;
    try {
      next = await lookAt(this.ground, householdId, holder, now.getTime());
    } catch (error) {
      this.telling.tell('error', 'looking at a household failed', { failure: toldOf(error) });
    }
    if (next === null) return;
    const dueAt = new Date(next);
    const { NoticeRound } = this.ground.database.models;
    const where = { householdId, holder };
    await retried(() => NoticeRound.update({ dueAt, judgedAt: now, holder: null, heldUntil: null }, { where }));
  }
}
