import { MINUTE_MS } from '@tembrin/core';
import { weatherSchema, type Weather } from '@tembrin/contract';
import type { Database } from '../database/connect';
import { withLease } from '../database/lease';
import { fail } from '../problems/problems';

const PATIENCE_MS = 2500;
/** Weather is asked for again after so long. */
const FRESH_MS = 10 * MINUTE_MS;

const WEATHER = 'weather';

/** The weather service, and the simulated hygrometers that ship with the app; both answer on local addresses. */
export class Outside {
  private kept: { at: number; weather: Weather } | null = null;

  constructor(
    private readonly database: Pick<Database, 'sequelize' | 'models'>,
    private readonly weatherUrl: string | undefined,
    private readonly hygrometerUrl: string | undefined,
  ) {}

  /**
   * Weather from two weeks back to seven days ahead, asked for by one server for all of them; null when no service is set or it
   * has never answered.
   */
  async weather(): Promise<Weather | null> {
    if (!this.weatherUrl) return null;
    const isFresh = () => this.kept !== null && Date.now() - this.kept.at < FRESH_MS;
    if (isFresh()) return this.kept!.weather;
    await this.readKept();
    if (!isFresh()) await withLease(this.database.sequelize, WEATHER, () => this.ask());
    return this.kept?.weather ?? null;
  }

  /** What a server was answered last. */
  private async readKept(): Promise<void> {
    const row = await this.database.models.Answer.findOne({ where: { name: WEATHER }, raw: true });
    if (row) this.kept = { at: row.at.getTime(), weather: JSON.parse(row.data) as Weather };
  }

  private async ask(): Promise<void> {
    try {
      const response = await fetch(new URL('/weather', this.weatherUrl), { signal: AbortSignal.timeout(PATIENCE_MS) });
      const weather = weatherSchema.parse(await response.json());
      const at = new Date();
      this.kept = { at: at.getTime(), weather };
      await this.database.models.Answer.upsert({ name: WEATHER, at, data: JSON.stringify(weather) });
    } catch {
      // It is asked again with the next question; meanwhile the last answer serves.
    }
  }

  /**
   * Starts a simulated hygrometer that posts like a real one.
   * @throws ProblemError 503 when there is none on this machine
   */
  async simulate(order: { sensorId: string; key: string; faults: readonly string[] }): Promise<void> {
    const there = this.hygrometerUrl
      ? await fetch(new URL('/hygrometers', this.hygrometerUrl), {
          method: 'POST',
          headers: { 'Content-Type': 'application/json' },
          body: JSON.stringify(order),
          signal: AbortSignal.timeout(PATIENCE_MS),
        }).catch(() => null)
      : null;
    if (!there?.ok)
      fail(503, 'no-simulator', 'The simulated hygrometer is not running here. Start Tembrin with npm start.');
  }
}
