import type { Air, Household, Instrument, UnsentReading } from '@tembrin/contract';
import { assessInstrument, assessYear, type Assessment, type KnownPlaces } from '@tembrin/core/assess';
import { HOUR_MS, MINUTE_MS } from '@tembrin/core/time';
import { placesAir } from '@tembrin/core/air';
import type { Appointment, Occasion, YearPlan } from '@tembrin/core/year';
import type { LogEvent } from '@tembrin/core/log';

/** What became different since the last message; what is left out is as it was. */
export interface Changes {
  household?: Household;
  air?: Air | null;
  unsent?: readonly UnsentReading[];
  appointments?: readonly Appointment[];
  occasions?: readonly Occasion[];
  /** Events of some instruments: `anew`, these are all there are; otherwise they come to those known. */
  events?: Readonly<Record<string, { anew: boolean; events: readonly LogEvent[] }>>;
  /** All events of the household are there. */
  complete?: boolean;
  /** Instruments on screen. */
  watched?: readonly string[];
  /** The present moment, ms. */
  nowMs: number;
  /** Counts messages: a verdict says which it was the last it rests on. */
  turn: number;
}

export type Verdict =
  | { kind: 'instrument'; householdId: string; instrumentId: string; turn: number; assessment: Assessment<Instrument> }
  | { kind: 'year'; householdId: string; year: YearPlan };

/** Wood is slower than a clock: the air of places is worked out anew every ten minutes, and when something new is known. */
const AIR_SLOT_MS = 10 * MINUTE_MS;
/** A plan for months does not wait for the minute: what is not on screen is judged anew after an hour. */
const PATIENCE_MS = HOUR_MS;

/**
 * Judges a household, one instrument at a time, those on screen first, and then its year. What changes meanwhile is taken in
 * between two instruments.
 * @param tell told of every verdict
 * @param later runs work after whatever else waits
 */
export function createAssessor(tell: (verdict: Verdict) => void, later: (work: () => void) => void) {
  let household: Household | null = null;
  let air: Air | null = null;
  let unsent: readonly UnsentReading[] = [];
  let appointments: readonly Appointment[] = [];
  let occasions: readonly Occasion[] = [];
  let complete = false;
  let nowMs = 0;
  let turn = 0;
  let watched = new Set<string>();
  let places: { slot: number; of: KnownPlaces } | null = null;
  let yearStale = true;
  let running = false;
  const events = new Map<string, LogEvent[]>();
  const verdicts = new Map<string, Assessment<Instrument>>();
  const stale = new Set<string>();

  const allStale = () => household?.instruments.forEach(({ id }) => stale.add(id));

  function take(changes: Changes): void {
    nowMs = changes.nowMs;
    turn = changes.turn;
    if (changes.household) takeHousehold(changes.household);
    if (changes.air !== undefined || changes.unsent) {
      air = changes.air === undefined ? air : changes.air;
      unsent = changes.unsent ?? unsent;
      places = null;
      allStale();
    }
    for (const [id, { anew, events: more }] of Object.entries(changes.events ?? {})) {
      events.set(id, anew ? [...more] : [...(events.get(id) ?? []), ...more]);
      stale.add(id);
    }
    if (changes.appointments || changes.occasions) {
      appointments = changes.appointments ?? appointments;
      occasions = changes.occasions ?? occasions;
      yearStale = true;
    }
    if (changes.watched) watched = new Set(changes.watched);
    complete = changes.complete ?? complete;
    for (const [id, { log }] of verdicts) {
      const age = nowMs - log.nowMs;
      if (age >= PATIENCE_MS || (watched.has(id) && minuteOf(nowMs) > minuteOf(log.nowMs))) stale.add(id);
    }
    if (!running) run();
  }

  function takeHousehold(next: Household): void {
    if (next.id !== household?.id) {
      for (const known of [events, verdicts, stale]) known.clear();
      complete = false;
    }
    household = next;
    places = null;
    allStale();
  }

  function run(): void {
    running = true;
    const instrument = nextStale();
    if (instrument) judge(instrument);
    else if (!judgeYear()) {
      running = false;
      return;
    }
    later(run);
  }

  function nextStale(): Instrument | null {
    const waiting = household?.instruments.filter(({ id }) => stale.has(id)) ?? [];
    return waiting.find(({ id }) => watched.has(id)) ?? waiting[0] ?? null;
  }

  function judge(instrument: Instrument): void {
    const settings = household!;
    const own = events.get(instrument.id) ?? [];
    const moment = momentFor(own, nowMs);
    const slot = Math.floor(moment / AIR_SLOT_MS);
    if (places?.slot !== slot) {
      places = { slot, of: air ? placesAir(air, unsent, settings.timeZone, moment) : new Map() };
    }
    const assessment = assessInstrument(instrument, own, settings, places.of, moment);
    stale.delete(instrument.id);
    verdicts.set(instrument.id, assessment);
    yearStale = true;
    tell({ kind: 'instrument', householdId: settings.id, instrumentId: instrument.id, turn, assessment });
  }

  /** Lays out the year once everything is judged. @returns whether there was anything to do */
  function judgeYear(): boolean {
    if (!household || !complete || !yearStale) return false;
    yearStale = false;
    const { id: householdId, instruments, timeZone } = household;
    const all = instruments.flatMap(({ id }) => verdicts.get(id) ?? []);
    const moment = Math.max(nowMs, ...all.map(({ log }) => log.nowMs));
    const year = assessYear(all, appointments, occasions, moment, timeZone);
    tell({ kind: 'year', householdId, year });
    return true;
  }

  return { take };
}
export type Assessor = ReturnType<typeof createAssessor>;

const minuteOf = (ms: number) => Math.floor(ms / MINUTE_MS);

/** The moment an instrument is judged at: this minute, or its newest entry, so that what was just recorded is never in the future. */
function momentFor(events: readonly LogEvent[], nowMs: number): number {
  const last = events.at(-1);
  return Math.max(minuteOf(nowMs) * MINUTE_MS, last ? Math.min(Date.parse(last.recordedAt), nowMs) : 0);
}
