import type { Air, Household, Instrument, UnsentReading } from '@tembrin/contract';
import type { SaidBow } from '@tembrin/core/bow';
import {
  assessInstrument,
  assessYear,
  kinOf,
  learnedFrom,
  type Learned,
  sharersOf,
  type Assessment,
  type KnownPlaces,
} from '@tembrin/core/assess';
import { HOUR_MS, MINUTE_MS } from '@tembrin/core/time';
import { placesAir } from '@tembrin/core/air';
import type { Appointment, Occasion, YearPlan } from '@tembrin/core/year';
import type { LogEvent } from '@tembrin/core/log';
import type { ToldAgain } from './heard-again';
import { toldAgain } from './told-again';

/** What became different since the last message; what is left out is as it was. */
export interface Changes {
  household?: Household;
  air?: Air | null;
  unsent?: readonly UnsentReading[];
  /** What the device keeps of it, or the server has, is still on its way: what is judged without it would move at once. */
  logComing?: boolean;
  airComing?: boolean;
  cardsComing?: boolean;
  appointments?: readonly Appointment[];
  occasions?: readonly Occasion[];
  /** What was said of its bows. */
  bows?: readonly SaidBow[];
  /** Events of some instruments: `anew`, these are all there are; otherwise they come to those known. */
  events?: Readonly<Record<string, { anew: boolean; events: readonly LogEvent[] }>>;
  /** Instruments whose events are all there. Told once the log on this device was read. */
  complete?: ReadonlySet<string> | 'all';
  /** Instruments on screen. */
  watched?: readonly string[];
  /** Instruments whose last judgement did not come to stand where it is heard: it is told whole. */
  unheard?: readonly string[];
  /** What belongs with it follows in the next message: nothing is judged before. */
  more?: boolean;
  /** The present moment, ms. */
  nowMs: number;
  /** Counts messages: a verdict says which it was the last it rests on. */
  turn: number;
}

export type Verdict =
  | {
      kind: 'instrument';
      householdId: string;
      instrumentId: string;
      turn: number;
      assessment: ToldAgain<Assessment<Instrument>>;
      /** The verdict it goes on from, by its turn; null: from none. */
      since: number | null;
      /** It rests on all events of the instrument. */
      complete: boolean;
    }
  | { kind: 'year'; householdId: string; year: YearPlan };

/** Wood is slower than a clock: the air of places is worked out anew every ten minutes, and when something new is known. */
const AIR_SLOT_MS = 10 * MINUTE_MS;
/** A plan for months does not wait for the minute: what is not on screen is judged anew after an hour. */
const PATIENCE_MS = HOUR_MS;

/**
 * Judges a household, one instrument at a time, those on screen first, and then its year. What changes meanwhile is taken in
 * between two instruments. `tell` is told of every verdict; `later` runs work after whatever else waits.
 */
const NOTHING_LEARNED: Learned = { lives: [], pace: null };

export class Assessor {
  private household: Household | null = null;
  private air: Air | null = null;
  private unsent: readonly UnsentReading[] = [];
  private readonly coming = { log: false, air: false, cards: false };
  private appointments: readonly Appointment[] = [];
  private occasions: readonly Occasion[] = [];
  private bows: readonly SaidBow[] = [];
  /** null: nothing is known of the log yet, and nothing is judged. */
  private complete: ReadonlySet<string> | 'all' | null = null;
  private more = false;
  private nowMs = 0;
  private turn = 0;
  private watched: ReadonlySet<string> = new Set();
  private places: { slot: number; of: KnownPlaces } | null = null;
  private yearStale = true;
  private running = false;
  private readonly events = new Map<string, LogEvent[]>();
  private readonly verdicts = new Map<
    string,
    { assessment: Assessment<Instrument>; complete: boolean; turn: number }
  >();
  private readonly unheard = new Set<string>();
  private readonly stale = new Set<string>();
  /** Instruments of whose player something new was learned elsewhere: judged anew once nothing else waits. */
  private readonly unlearned = new Set<string>();
  private readonly learned = new Map<string, Learned>();

  constructor(
    private readonly tell: (verdict: Verdict) => void,
    private readonly later: (work: () => void) => void,
  ) {}

  take(changes: Changes): void {
    this.nowMs = changes.nowMs;
    this.turn = changes.turn;
    if (changes.household) this.takeHousehold(changes.household);
    if (changes.air !== undefined || changes.unsent) this.takeAir(changes);
    this.takeComing(changes);
    for (const [id, { anew, events: more }] of Object.entries(changes.events ?? {})) {
      this.events.set(id, anew ? [...more] : [...(this.events.get(id) ?? []), ...more]);
      this.stale.add(id);
      for (const sharer of sharersOf(id, this.household?.instruments ?? [], this.bows)) this.stale.add(sharer);
    }
    if (changes.bows && JSON.stringify(changes.bows) !== JSON.stringify(this.bows)) {
      this.bows = changes.bows;
      this.allStale();
    }
    if (changes.appointments || changes.occasions) {
      this.appointments = changes.appointments ?? this.appointments;
      this.occasions = changes.occasions ?? this.occasions;
      // Holidays are pauses that the forecasts know of.
      if (changes.occasions) this.allStale();
      this.yearStale = true;
    }
    for (const id of changes.unheard ?? []) {
      this.unheard.add(id);
      this.stale.add(id);
    }
    if (changes.watched) this.watched = new Set(changes.watched);
    if (changes.complete) this.takeComplete(changes.complete);
    this.ageVerdicts();
    this.more = changes.more ?? false;
    if (!this.running) this.run();
  }

  private takeComing({ logComing, airComing, cardsComing }: Changes): void {
    this.coming.log = logComing ?? this.coming.log;
    this.coming.air = airComing ?? this.coming.air;
    this.coming.cards = cardsComing ?? this.coming.cards;
  }

  private takeComplete(complete: ReadonlySet<string> | 'all'): void {
    this.complete = complete;
    for (const [id, verdict] of this.verdicts) if (verdict.complete !== this.isComplete(id)) this.stale.add(id);
  }

  private isComplete(instrumentId: string): boolean {
    return this.complete === 'all' || (this.complete?.has(instrumentId) ?? false);
  }

  private takeHousehold(next: Household): void {
    if (next.id !== this.household?.id) {
      for (const known of [this.events, this.verdicts, this.unheard, this.stale, this.unlearned, this.learned])
        known.clear();
      this.complete = null;
    }
    this.household = next;
    this.places = null;
    this.allStale();
  }

  private takeAir({ air, unsent }: Changes): void {
    if (air !== undefined) this.air = air;
    this.unsent = unsent ?? this.unsent;
    this.places = null;
    this.allStale();
  }

  private allStale(): void {
    this.household?.instruments.forEach(({ id }) => this.stale.add(id));
  }

  private ageVerdicts(): void {
    for (const [id, { assessment }] of this.verdicts) {
      const judgedAt = assessment.log.nowMs;
      const age = this.nowMs - judgedAt;
      const minuteOver = this.watched.has(id) && minuteOf(this.nowMs) > minuteOf(judgedAt);
      if (age >= PATIENCE_MS || minuteOver) this.stale.add(id);
    }
  }

  private run(): void {
    this.running = !this.more;
    if (this.more) return;
    const instrument = this.nextStale();
    if (instrument) this.judge(instrument);
    else if (!this.judgeYear()) {
      this.running = false;
      return;
    }
    this.later(() => this.run());
  }

  private nextStale(): Instrument | null {
    if (this.complete === null) return null;
    const among = (ids: ReadonlySet<string>) => {
      const waiting = this.household?.instruments.filter(({ id }) => ids.has(id) && this.isDue(id)) ?? [];
      return waiting.find(({ id }) => this.watched.has(id)) ?? waiting[0] ?? null;
    };
    return among(this.stale) ?? among(this.unlearned);
  }

  /**
   * Whether it is time. What is not on screen waits for what is on its way, so that nothing is judged twice; a log that comes from the
   * server is judged by the minute, not page by page.
   */
  private isDue(id: string): boolean {
    if (this.watched.has(id)) return true;
    if (this.isMoreComing()) return false;
    const verdict = this.verdicts.get(id);
    return verdict === undefined || this.isComplete(id) || this.nowMs - verdict.assessment.log.nowMs >= MINUTE_MS;
  }

  private isMoreComing(): boolean {
    return Object.values(this.coming).some(Boolean);
  }

  /** Who is here and plays. */
  private get players() {
    return this.household!.people.filter(({ goneAt }) => goneAt === null);
  }

  private judge(instrument: Instrument): void {
    const settings = this.household!;
    const eventsOf = (id: string) => this.events.get(id) ?? [];
    const sharers = [...sharersOf(instrument.id, settings.instruments, this.bows)];
    const moment = Math.max(...[instrument.id, ...sharers].map((id) => momentFor(eventsOf(id), this.nowMs)));
    const slot = Math.floor(moment / AIR_SLOT_MS);
    if (this.places?.slot !== slot) {
      const of = this.air ? placesAir(this.air, this.unsent, settings.timeZone, moment) : new Map();
      this.places = { slot, of };
    }
    const assessment = assessInstrument(instrument, {
      ...settings,
      people: this.players,
      eventsOf,
      places: this.places.of,
      occasions: this.occasions,
      bows: this.bows,
      elsewhere: this.learned,
      nowMs: moment,
    });
    this.stale.delete(instrument.id);
    this.unlearned.delete(instrument.id);
    this.learn(instrument, learnedFrom(assessment, this.players));
    const complete = this.isComplete(instrument.id);
    const { turn } = this;
    const before = this.unheard.delete(instrument.id) ? undefined : this.verdicts.get(instrument.id);
    this.verdicts.set(instrument.id, { assessment, complete, turn });
    this.yearStale = true;
    this.tell({
      kind: 'instrument',
      householdId: settings.id,
      instrumentId: instrument.id,
      turn,
      since: before?.turn ?? null,
      assessment: toldAgain(before?.assessment, assessment),
      complete,
    });
  }

  /** Keeps what an instrument tells of its players, for the others of the same player. */
  private learn(instrument: Instrument, learned: Learned): void {
    if (JSON.stringify(this.learned.get(instrument.id) ?? NOTHING_LEARNED) === JSON.stringify(learned)) return;
    this.learned.set(instrument.id, learned);
    for (const id of kinOf(instrument, this.household!.instruments, this.players)) this.unlearned.add(id);
  }

  /** Lays out the year once everything is judged. @returns whether there was anything to do */
  private judgeYear(): boolean {
    if (!this.household || this.complete !== 'all' || this.isMoreComing() || !this.yearStale) return false;
    this.yearStale = false;
    const { id: householdId, instruments, timeZone } = this.household;
    const all = instruments.flatMap(({ id }) => this.verdicts.get(id)?.assessment ?? []);
    const moment = Math.max(this.nowMs, ...all.map(({ log }) => log.nowMs));
    const year = assessYear(all, this.appointments, this.occasions, moment, timeZone);
    this.tell({ kind: 'year', householdId, year });
    return true;
  }
}

const minuteOf = (ms: number) => Math.floor(ms / MINUTE_MS);

/** The moment an instrument is judged at: this minute, or its newest entry, so that what was just recorded is never in the future. */
function momentFor(events: readonly LogEvent[], nowMs: number): number {
  const last = events.at(-1);
  return Math.max(minuteOf(nowMs) * MINUTE_MS, last ? Math.min(Date.parse(last.recordedAt), nowMs) : 0);
}
