import { humidifierPace } from '../air';
import { assessYear, type Assessment, type OwnInstrument } from '../assess';
import { isOut, loanNow, overdueDays, type Loan } from '../lending';
import { stayNow } from '../log';
import { subjectOf } from '../parts';
import { DAY_MS, dayOfDate, HOUR_MS, localDay, startOfLocalDay } from '../time';
import type { Appointment, Occasion, PlannedItem } from '../year';
import { NOTICE_DATA, type Concern, type ConcernFacts, type KnownConcern, type NoticeKind } from './kinds';

/** What somebody may have to be told of, of the instruments they have to do with. */
export interface ConcernQuestion {
  assessments: readonly Assessment<OwnInstrument>[];
  appointments: readonly Appointment[];
  occasions: readonly Occasion[];
  /** Loans, with the ids of their cards. */
  loans: readonly (Loan & { id: string })[];
  nowMs: number;
  timeZone: string;
}

/** The edge of its band is told of ahead for so long: what is farther off is the week's business. From memory. */
const EDGE_AHEAD_MS = 36 * HOUR_MS;
/** A humidifier that runs dry is told of from a day and a half before until three days after. From memory. */
const DRY_AHEAD_MS = 36 * HOUR_MS;
const DRY_AFTER_MS = 3 * DAY_MS;
/** Left alone for less, a bow is about to be played again. From memory. */
const LEFT_H = 3;
/** A visit is told of so long before: workshops are asked for a day some weeks ahead. From memory. */
const VISIT_AHEAD_DAYS = 21;
/** Strings that go on before a concert are told of so many days before their day; those that wait, before the quiet days. From memory. */
const STRINGS_AHEAD_DAYS = 3;
/** What is due is told of within the days that one digest lasts. */
const DUE_AHEAD_DAYS = 7;
/** A day that is so near is told as soon: no workshop has one at once. From memory. */
const SOON_DAYS = 2;
/** What nothing ends by itself stays worth telling for so long. */
const STANDS_MS = 60 * DAY_MS;

function concern<K extends NoticeKind>(
  kind: K,
  said: Omit<Concern, 'kind'>,
  facts: ConcernFacts[K],
): Extract<KnownConcern, { kind: K }> {
  return { kind, ...said, facts } as unknown as Extract<KnownConcern, { kind: K }>;
}

function ofAir({ facts: { id }, air }: Assessment<OwnInstrument>, nowMs: number): KnownConcern[] {
  const verdict = air?.verdict;
  if (!verdict?.side || !verdict.body) return [];
  const { side, band, body, state, limitAt, ahead } = verdict;
  const leaves = verdict.why === 'reaching' && limitAt !== null && limitAt - nowMs <= EDGE_AHEAD_MS;
  if (state !== 'act' && !leaves) return [];
  const edge = side === 'dry' ? band.low : band.high;
  const worse = leaves ? 0 : Math.abs(body.restRh - edge) * 100;
  return [
    concern(
      'air',
      { about: id, instrumentId: id, worse, untilMs: nowMs + STANDS_MS },
      {
        side,
        restRh: body.restRh,
        low: band.low,
        high: band.high,
        limitAt: leaves ? limitAt : null,
        ahead: ahead === 'forecast',
      },
    ),
  ];
}

function ofHumidifier({ facts: { id, setUp }, log }: Assessment<OwnInstrument>, nowMs: number): KnownConcern[] {
  const dryAt = humidifierPace(log.weighings)?.dryAt ?? null;
  if (dryAt === null || setUp.humidifier === false) return [];
  if (dryAt - nowMs > DRY_AHEAD_MS || nowMs - dryAt > DRY_AFTER_MS) return [];
  // Seen to since it could be told.
  if (log.steps.some(({ step, done, at }) => done && step === 'humidifier' && at >= dryAt - DRY_AHEAD_MS)) return [];
  return [concern('dry', { about: id, instrumentId: id, worse: 1, untilMs: dryAt + DRY_AFTER_MS }, { dryAt })];
}

function ofBows({ facts: { id }, bows }: Assessment<OwnInstrument>, nowMs: number, timeZone: string): KnownConcern[] {
  return bows.flatMap(({ bow, tension }) => {
    const since = tension?.tightSince ?? null;
    // A bow is told of with the instrument it is at home with.
    if (bow.instrumentIds[0] !== id || since === null || nowMs - since < LEFT_H * HOUR_MS) return [];
    const nights = localDay(nowMs, timeZone) - localDay(since, timeZone);
    const said = { about: bow.id, instrumentId: id, worse: nights, untilMs: nowMs + STANDS_MS };
    return [concern('tight', said, { bowId: bow.id === id ? null : bow.id, since })];
  });
}

/** Stays the same as long as the part's life does. */
const lifeOf = (item: PlannedItem) => `${item.part} ${subjectOf(item)} ${Math.round(item.from / 1000)}`;

const duePart = ({ instrumentId, bowId, part }: PlannedItem) => ({ instrumentId, bowId, part });

function ofStrings(item: PlannedItem, today: number, timeZone: string): KnownConcern[] {
  const { placed, day, instrumentId, window, keepsClear } = item;
  if (item.part !== 'strings' || placed.by !== 'performance') return [];
  const { side, occasion } = placed;
  const facts = { side, day, occasion: occasion.title, from: occasion.from };
  const tells =
    side === 'before'
      ? day - today <= STRINGS_AHEAD_DAYS
      : // They would go on now, were it not for the concert.
        localDay(window.middle, timeZone) <= today + STRINGS_AHEAD_DAYS &&
        occasion.from - today <= keepsClear + STRINGS_AHEAD_DAYS &&
        occasion.from >= today;
  if (!tells) return [];
  const untilMs = startOfLocalDay(side === 'before' ? day + 1 : occasion.from, timeZone);
  return [concern('strings', { about: lifeOf(item), instrumentId, worse: 1, untilMs }, facts)];
}

/** What of a household's year is worth telling. */
function ofYear(question: ConcernQuestion): KnownConcern[] {
  const { assessments, appointments, occasions, nowMs, timeZone } = question;
  const today = localDay(nowMs, timeZone);
  const { items, visits } = assessYear(assessments, appointments, occasions, nowMs, timeZone);
  const untilMs = nowMs + STANDS_MS;
  const isSoon = (day: number) => day - today <= SOON_DAYS;
  const strings = items.flatMap((item) => ofStrings(item, today, timeZone));
  const together = visits.filter((visit) => visit.items.length > 1 && visit.day - today <= VISIT_AHEAD_DAYS);
  const inVisit = new Set(together.flatMap((visit) => visit.items));
  const told = new Set(strings.map(({ about }) => about));
  return [
    ...strings,
    ...together.map(({ day, items: due }) => {
      const { instrumentId } = due[0]!;
      return concern(
        'visit',
        // One life that is in it marks it: its day moves.
        { about: lifeOf(due.toSorted((a, b) => a.from - b.from)[0]!), instrumentId, worse: due.length, untilMs },
        { day, soon: isSoon(day), items: due.map(duePart) },
      );
    }),
    ...items.flatMap((item) => {
      const { day, who, window, risk, instrumentId, awayUntil } = item;
      if (day - today > DUE_AHEAD_DAYS || inVisit.has(item) || told.has(lifeOf(item)) || awayUntil) return [];
      const said = { about: lifeOf(item), instrumentId, worse: risk, untilMs };
      return [concern('due', said, { ...duePart(item), day, soon: isSoon(day), who, window })];
    }),
  ];
}

function ofLoans({ loans, nowMs, timeZone }: ConcernQuestion): KnownConcern[] {
  const today = localDay(nowMs, timeZone);
  return loans.flatMap((loan): KnownConcern[] => {
    const { id, instrumentId, personId, to } = loan;
    if (loan.until === null || !isOut(loan, today)) return [];
    const until = dayOfDate(loan.until);
    const days = overdueDays(loan, today);
    const said = { about: id, instrumentId, worse: days / 7, untilMs: nowMs + STANDS_MS };
    return [
      ...(days > 0 ? [concern('overdue', said, { loanId: id, to, until })] : []),
      ...(personId !== null && until - today <= DUE_AHEAD_DAYS
        ? [concern('ending', said, { loanId: id, personId, until, over: days > 0 })]
        : []),
    ];
  });
}

/**
 * Everything worth telling of some instruments at a moment, as far as it is known, whoever is told and whatever was told already.
 * Of what is at the workshop, or lent to somebody outside, air and bow are not told: nobody here knows them, or can do anything.
 */
export function concernsOf(question: ConcernQuestion): KnownConcern[] {
  const { assessments, loans, nowMs, timeZone } = question;
  const today = localDay(nowMs, timeZone);
  const isOutside = (id: string) => loanNow(loans, id, today)?.personId === null;
  const own = assessments
    .filter(({ facts, log }) => stayNow(log) === null && !isOutside(facts.id))
    .flatMap((each) => [...ofAir(each, nowMs), ...ofHumidifier(each, nowMs), ...ofBows(each, nowMs, timeZone)]);
  return [...own, ...ofYear(question), ...ofLoans(question)];
}

/**
 * When time alone may bring something to tell, ms: a bow that was just put down tight, a humidifier that runs dry, wood that is on its
 * way to the edge; null: nothing is known to come. What comes due in the year is looked for once a day.
 */
export function nextConcernMs({ assessments, nowMs }: Pick<ConcernQuestion, 'assessments' | 'nowMs'>): number | null {
  const moments = assessments.flatMap(({ log, bows, air }) => [
    ...bows.flatMap(({ tension }) => (tension?.tightSince ? [tension.tightSince + LEFT_H * HOUR_MS] : [])),
    ...[humidifierPace(log.weighings)?.dryAt ?? null].flatMap((at) => (at === null ? [] : [at - DRY_AHEAD_MS])),
    ...[air?.verdict.limitAt ?? null].flatMap((at) => (at === null ? [] : [at - EDGE_AHEAD_MS])),
  ]);
  const coming = moments.filter((at) => at > nowMs);
  return coming.length === 0 ? null : Math.min(...coming);
}

/** Whether a concern is one that cannot wait. */
export const isUrgent = ({ kind }: Pick<Concern, 'kind'>): boolean => NOTICE_DATA[kind].alert;
