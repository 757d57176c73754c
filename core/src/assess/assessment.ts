import { pegTrouble, type AirVerdict, type PegTrouble } from '../air';
import type { Bow, BowTension } from '../bow';
import { byGravity, findingsOn, reasonsToLook, type Reason } from '../inspection';
import type { Habit, InstrumentFacts } from '../instruments';
import type { Finding, InstrumentLog } from '../log';
import { bowThreads, threadOf, threadsOf, type InstrumentAir, type Thread } from '../parts';
import type { Schools } from '../schools';
import { dayOfDate } from '../time';
import { elsewhere, paceFrom, type Away, type LifeSeen, type Pace, type PaceSeen } from '../wear';
import type { Hands } from '../strings';
import { handsOn } from './players';

/** What an instrument's air asks for. */
export interface AirCondition {
  verdict: AirVerdict;
  /** Whether its pegs slip or stick these days; null when neither. */
  pegs: PegTrouble | null;
}

/** A bow of a household as it is judged: with what was played with it. */
export interface PlayedBow {
  bow: Bow;
  log: InstrumentLog;
  /** How much it is played on most days, as far as that was said. */
  said: Habit | null;
}

/** Everything computed about one bow. */
export interface BowAssessment extends PlayedBow {
  pace: Pace;
  /** Its hair, the look at it, its rosin; those of which there is something to tell. */
  threads: Thread[];
  /** How it stood tight. */
  tension: BowTension | null;
}

/** Everything computed about one instrument at one moment: the log's `nowMs`. Plain figures, so that it can be sent about. */
export interface Assessment<Facts extends InstrumentFacts = InstrumentFacts> {
  facts: Facts;
  schools: Schools;
  log: InstrumentLog;
  pace: Pace;
  /** Threads in the order of the parts; those it has and of which there is something to tell, the bow's of the one in hand. */
  threads: Thread[];
  /** The bows it is played with, the one in hand first; none where it is plucked. */
  bows: BowAssessment[];
  /** How the bow in hand stood tight; null without one. */
  tension: BowTension | null;
  /** null where nobody knows its air. */
  air: AirCondition | null;
  /** What was found on it and on the bow in hand and is not seen to, the worst first. */
  found: Finding[];
  /** What was found on its other bows, for those of which there is something, by the bow. */
  foundAside: { bow: Bow; found: Finding[] }[];
  /** Reasons to look it over, the most pressing first. */
  reasons: Reason[];
}

/** What an instrument is judged from, beside its facts and its log. */
export interface Basis {
  schools: Schools;
  /** When the household began to record this instrument, ms. */
  observedFrom: number;
  /** The air it was in; null where nobody knows it. */
  air?: InstrumentAir | null;
  /** Days away that are in the calendar, ms. */
  away?: readonly Away[];
  /** Its bows, the one in hand first; when left out, the one it came with is the only one. */
  bows?: readonly PlayedBow[];
  /** What was seen of how long strings last on other instruments of the same player. */
  livesElsewhere?: readonly (readonly LifeSeen[])[];
  /** What its players play on their other instruments, their part of each. */
  pacesElsewhere?: readonly PaceSeen[];
  /** The hands that play it; when left out, as was said of the instrument. */
  hands?: Hands;
}

/** The bow an instrument came with, where it has no other. */
function onlyBow(facts: InstrumentFacts, log: InstrumentLog): PlayedBow {
  const bow: Bow = { id: '', title: null, instrumentIds: [''], use: 'often' };
  return { bow, log, said: facts.setUp.habit };
}

/**
 * An instrument's condition and forecast.
 * @param log what `foldLog` gives; its `nowMs` is the moment judged
 */
export function assess<Facts extends InstrumentFacts>(
  facts: Facts,
  log: InstrumentLog,
  { schools, observedFrom, air = null, away = [], bows = [onlyBow(facts, log)], ...basis }: Basis,
): Assessment<Facts> {
  const since = facts.since === null ? null : dayOfDate(facts.since);
  const hands = basis.hands ?? handsOn(facts.stringing.sweat, [], []);
  const known = { observedFrom, since, away };
  const pace = paceFrom(log, { ...known, said: facts.setUp.habit, elsewhere: basis.pacesElsewhere });
  const judged = bows.map((played): BowAssessment => {
    // A bow that is the only one is played as the instrument is.
    const own =
      played.log === log && played.said === facts.setUp.habit
        ? pace
        : paceFrom(played.log, { ...known, said: played.said });
    const threads = bowThreads({ facts, log: played.log, schools, pace: own, air, elsewhere: null, hands });
    return { ...played, pace: own, threads, tension: threadOf(threads, 'hair')?.tension ?? null };
  });
  const inHand = judged[0];
  const learned = elsewhere(basis.livesElsewhere ?? []);
  const context = { facts, log, schools, pace, air, elsewhere: learned, hands };
  const threads = threadsOf(context, inHand?.threads ?? []);
  const around = air && { verdict: air.verdict, pegs: pegTrouble(air.samples, air.holdMs, log.nowMs) };
  const tension = inHand?.tension ?? null;
  const isPlucked = judged.every((bow) => bow.threads.length === 0);
  const found = byGravity([
    ...findingsOn('instrument', log, facts.stringCount),
    ...(isPlucked ? [] : findingsOn('bow', inHand?.log ?? log, facts.stringCount)),
  ]);
  const foundAside = judged.slice(isPlucked ? judged.length : 1).flatMap(({ bow, log: own }) => {
    const open = byGravity(findingsOn('bow', own, facts.stringCount));
    return open.length === 0 ? [] : [{ bow, found: open }];
  });
  const reasons = reasonsToLook({ log, air: around, heating: air?.heating ?? null });
  const shown = isPlucked ? [] : judged;
  return { facts, schools, log, pace, threads, bows: shown, tension, air: around, found, foundAside, reasons };
}
