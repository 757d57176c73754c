import { MINUTE_MS } from '@tembrin/core';
import { weatherSchema, type Weather } from '@tembrin/contract';
import { fail } from '../problems/problems';

const PATIENCE_MS = 2500;
/** Weather is asked for again after so long. */
const FRESH_MS = 10 * MINUTE_MS;

/** The weather service, and the simulated hygrometers that ship with the app; both answer on local addresses. */
export class Outside {
  private kept: { at: number; weather: Weather } | null = null;

  constructor(
    private readonly weatherUrl: string | undefined,
    private readonly hygrometerUrl: string | undefined,
  ) {}

  /** Weather from two weeks back to seven days ahead; null when no service is set or it does not answer in time. */
  async weather(): Promise<Weather | null> {
    if (!this.weatherUrl) return null;
    if (this.kept && Date.now() - this.kept.at < FRESH_MS) return this.kept.weather;
    try {
      const response = await fetch(new URL('/weather', this.weatherUrl), { signal: AbortSignal.timeout(PATIENCE_MS) });
      const weather = weatherSchema.parse(await response.json());
      this.kept = { at: Date.now(), weather };
      return weather;
    } catch {
      return this.kept?.weather ?? null;
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
