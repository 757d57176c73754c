import { DAY_MS, HOUR_MS, startOfLocalDay } from '@tembrin/core/time';
import type { ConcernFacts, KnownConcern, NoticeKind } from '@tembrin/core/notices';
import type { StepId } from '@tembrin/core/log';
import { dueOf } from '@tembrin/core/parts';
import { DOER_TITLES } from './year-words';

/** What somebody is told: what it is, why, what to do about it, and the page on which that is done. */
export interface NoticeWords {
  title: string;
  why: string;
  todo: string;
  path: string;
}

/** What words need beside the concern. */
export interface WordsGround {
  /** Names of instruments and bows, by their ids. */
  names: ReadonlyMap<string, string>;
  timeZone: string;
}

interface Told extends WordsGround {
  instrumentId: string;
  name: string;
}

const percent = (share: number) => `${Math.round(share * 100)} %`;

/** A moment as a letter names it, which does not know who reads it: no order of day and month to be mistaken. */
const dated = (timeZone: string) => {
  const format = new Intl.DateTimeFormat('en-GB', { weekday: 'long', day: 'numeric', month: 'long', timeZone });
  return (ms: number) => format.format(ms);
};
const onDay = (day: number, timeZone: string) => dated(timeZone)(startOfLocalDay(day, timeZone) + 12 * HOUR_MS);
const askFor = (day: number, soon: boolean, timeZone: string) =>
  soon ? 'Ask for a day soon.' : `Ask for a day about ${onDay(day, timeZone)}.`;
const clock = (ms: number, timeZone: string) =>
  new Intl.DateTimeFormat('en-GB', { weekday: 'long', hour: '2-digit', minute: '2-digit', timeZone }).format(ms);

const wayOf = { dry: 'too dry', damp: 'too damp' } as const;
/** What helps at once [handbook 3]. */
const AIR_HELP = {
  dry: 'Keep it in its closed case with a humidifier, away from heating, and give the room water.',
  damp: 'Keep it in its closed case with silica gel or a two-way pack, and air the room when it is drier outside.',
} as const;

const subject = (
  names: WordsGround['names'],
  { bowId, instrumentId }: { bowId: string | null; instrumentId: string },
) => names.get(bowId ?? instrumentId) ?? 'An instrument';

const WORDS: { readonly [K in NoticeKind]: (facts: ConcernFacts[K], told: Told) => NoticeWords } = {
  air: ({ side, restRh, low, high, limitAt, ahead }, { name, instrumentId, timeZone }) => ({
    title: limitAt === null ? `${name}: the wood is ${wayOf[side]}` : `${name}: the wood is getting ${wayOf[side]}`,
    why:
      limitAt === null
        ? `Its wood rests at ${percent(restRh)}; its band is ${percent(low)} to ${percent(high)}.`
        : `Its wood rests at ${percent(restRh)} and leaves its band of ${percent(low)} to ${percent(high)} about ${clock(limitAt, timeZone)}, ${ahead ? 'by the coming weather' : 'if the air goes on like this'}.`,
    todo: AIR_HELP[side],
    path: `/air/wood/${instrumentId}`,
  }),
  dry: ({ dryAt }, { name, instrumentId, timeZone }) => ({
    title: `${name}: the humidifier runs dry`,
    why: `By its weighings it is empty about ${clock(dryAt, timeZone)}. A dry one does nothing.`,
    todo: 'Fill it, weigh it, and put it back.',
    path: `/air/wood/${instrumentId}`,
  }),
  tight: ({ bowId, since }, { name, names, timeZone, instrumentId }) => ({
    title: `${bowId === null ? `${name}’s bow` : (names.get(bowId) ?? 'A bow')} was left tight`,
    why: `Nobody has slackened it since ${clock(since, timeZone)}. Left tight, the stick loses its camber and the hair stretches.`,
    todo: 'Slacken it until the hair just lies together.',
    path: `/stand/${instrumentId}`,
  }),
  strings: ({ side, day, occasion, from }, { name, instrumentId, timeZone }) => ({
    title: side === 'before' ? `${name}: strings go on now` : `${name}: leave the strings on`,
    why:
      side === 'before'
        ? `They are due, and want to settle before ${occasion} on ${onDay(from, timeZone)}.`
        : `They are due, but new ones would not hold their pitch by ${occasion} on ${onDay(from, timeZone)}.`,
    todo:
      side === 'before'
        ? `Put new ones on by ${onDay(day, timeZone)}.`
        : `Play it on these, and change them after: ${onDay(day, timeZone)}.`,
    path: `/kit/${instrumentId}/strings`,
  }),
  visit: ({ day, soon, items }, { names, timeZone }) => ({
    title: `One visit to the workshop for ${items.length} things`,
    why: `${items
      .slice(0, 8)
      .map((item) => `${subject(names, item)}: ${dueOf(item.part).title.toLowerCase()}`)
      .join('; ')}${items.length > 8 ? `; and ${items.length - 8} more` : ''}.`,
    todo: askFor(day, soon, timeZone),
    path: '/year/visits',
  }),
  overdue: ({ to, until }, { name, timeZone, instrumentId }) => ({
    title: `${name} is not back yet`,
    why: `${to} was to bring it back on ${onDay(until, timeZone)}.`,
    todo: 'Ask where it is, or say until when it stays out.',
    path: `/kit/${instrumentId}/loan`,
  }),
  ending: ({ until, over }, { name, timeZone, instrumentId }) => ({
    title: over ? `${name} is to go back` : `${name} goes back on ${onDay(until, timeZone)}`,
    why: over ? `It was on loan to you until ${onDay(until, timeZone)}.` : 'Then your loan of it ends.',
    todo: 'Bring it back with all that came along, or ask whether you may keep it longer.',
    path: `/kit/${instrumentId}/loan`,
  }),
  due: (facts, { names, timeZone, instrumentId }) => ({
    title: `${subject(names, facts)}: ${dueOf(facts.part).title.toLowerCase()}`,
    why: `Due between ${dated(timeZone)(facts.window.early)} and ${dated(timeZone)(facts.window.late)}.`,
    todo:
      facts.who === 'workshop'
        ? `For the workshop. ${askFor(facts.day, facts.soon, timeZone)}`
        : `${DOER_TITLES[facts.who]}, ${facts.soon ? 'as soon as it suits' : `about ${onDay(facts.day, timeZone)}`}.`,
    path: `/kit/${instrumentId}/${facts.part}${facts.bowId === null ? '' : `?bow=${facts.bowId}`}`,
  }),
};

/** What somebody is told of a concern; the same in a letter, in a notification and on a page. */
export function noticeWords({ kind, facts, instrumentId }: KnownConcern, ground: WordsGround): NoticeWords {
  const name = ground.names.get(instrumentId) ?? 'An instrument';
  const wordsOf = WORDS[kind] as (facts: ConcernFacts[NoticeKind], told: Told) => NoticeWords;
  return wordsOf(facts, { ...ground, instrumentId, name });
}

/** What the log can say of it by itself, where somebody answers that it was done: a step of the closing round. */
export const DONE_STEPS: Readonly<Partial<Record<NoticeKind, StepId>>> = { tight: 'slacken', dry: 'humidifier' };

/** Most days something can be put off. */
export const PUT_OFF_DAYS = 365;
export const PUT_OFF_MS = PUT_OFF_DAYS * DAY_MS;
