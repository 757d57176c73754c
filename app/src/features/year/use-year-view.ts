import { DOER_TITLES } from '@tembrin/contract/year-words';
import { router } from 'expo-router';
import { useEffect, useState } from 'react';
import { useCards } from '@/state/cards';
import { usePlaces } from '@/state/places';
import { useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { useSubjectNames, useYear } from '@/state/year';
import { useKeys } from '@/ui/keys';
import { useWide } from '@/ui/theme';
import { type YearMark, type YearRow } from '@/ui/YearChart';
import { dateWords } from '@/copy/dates';
import { useMoment } from '../air/where';
import { keyOf } from './names';
import { DAY_MS, localDay, startOfLocalDay } from '@tembrin/core/time';
import { dueOf, subjectOf } from '@tembrin/core/parts';
import { spansBetween, type OccasionSpan, type PlannedItem } from '@tembrin/core/year';
import type { Doer } from '@tembrin/core/log';
import { copy } from '@/copy/screens/year/year';

export const ALL = 'all';

const AHEAD_DAYS = 365;

/** Threads drawn at once, and a moment later; a household of sixty instruments has some two hundred, which are asked for. */
export const PAGE = 12;

const LATER = 36;

const LATER_MS = 250;

/** Heating seasons of the coming year as spans of days. */
function heatingSpans(seasons: readonly { from: number; to: number }[], today: number): YearMark[] {
  const season = seasons[0];
  if (!season) return [];
  const year = new Date(today * DAY_MS).getUTCFullYear();
  return [year - 1, year, year + 1].map((from): YearMark => {
    const end = season.to < season.from ? from + 1 : from;
    return {
      from: Math.round(Date.UTC(from, season.from - 1, 1) / DAY_MS),
      to: Math.round(Date.UTC(end, season.to, 0) / DAY_MS),
      kind: 'heating',
    };
  });
}

/** An item of the year as the chart draws it and a screen reader says it. */
function rowOf(item: PlannedItem, name: string, today: number, nowMs: number, timeZone: string): YearRow {
  const title = `${name}: ${dueOf(item.part).title.toLowerCase()}`;
  const detail =
    item.day === today ? 'today' : dateWords(startOfLocalDay(item.day, timeZone) + DAY_MS / 2, nowMs, timeZone);
  return {
    key: keyOf(item),
    title,
    detail,
    from: item.from,
    window: item.window,
    day: item.day,
    state: item.state,
    label: copy.plannedByDueBetween({
      title,
      detail,
      doerTitle: DOER_TITLES[item.who],
      early: item.window.early,
      late: item.window.late,
      nowMs,
      timeZone,
    }),
  };
}

/** Days that matter to the strings, and heating seasons. Lessons are not among them. */
function marksOf(
  spans: readonly Pick<OccasionSpan, 'from' | 'to' | 'kind'>[],
  seasons: readonly { from: number; to: number }[],
  today: number,
): YearMark[] {
  const days = spans.flatMap(({ from, to, kind }): YearMark[] =>
    kind === 'lesson' ? [] : [{ from, to, kind: kind === 'holiday' ? 'rest' : 'performance' }],
  );
  return [...heatingSpans(seasons, today), ...days];
}

/** The household’s year: what comes due, chosen by whose and by whom, and the days that matter. */
export function useYearView({ chosen }: { chosen: string | null }) {
  const { instruments, timeZone } = useHousehold((state) => state.household)!;
  const { items, visits, occasions } = useYear();
  const occasionCards = useCards('occasion');
  const places = usePlaces();
  const { nowMs } = useMoment();
  const wide = useWide();

  const [who, setWho] = useState<Doer | typeof ALL>(ALL);
  const [whose, setWhose] = useState<string>(ALL);
  const [count, setCount] = useState(PAGE);
  useEffect(() => {
    const timer = setTimeout(() => setCount((shown) => Math.max(shown, LATER)), LATER_MS);
    return () => clearTimeout(timer);
  }, []);
  const [filtering, setFiltering] = useState(false);
  const [open, setOpen] = useState<string | 'new' | null>(null);
  const complete = useLog((state) => state.complete === 'all');
  useKeys({ o: { label: copy.addAPerformanceExam, run: () => setOpen('new') } });
  const today = localDay(nowMs, timeZone);
  const names = useSubjectNames();
  const date = (day: number) => dateWords(startOfLocalDay(day, timeZone) + DAY_MS / 2, nowMs, timeZone);
  const asked = items.filter(
    (item) => (who === ALL || item.who === who) && (whose === ALL || item.instrumentId === whose),
  );
  const shown = asked.filter(({ day }) => day <= today + AHEAD_DAYS);
  const beyond = asked.length - shown.length;
  const rows = shown.map((item) => rowOf(item, names.get(subjectOf(item)) ?? '', today, nowMs, timeZone));
  const spans = spansBetween(occasions, today - 30, today + AHEAD_DAYS).filter(
    (span) => whose === ALL || span.instrumentId === null || span.instrumentId === whose,
  );
  const marks = marksOf(
    spans,
    [...places.values()].flatMap(({ place }) => place.heating ?? []),
    today,
  );
  const coming = spans.filter(({ to }) => to >= today);
  const nextVisit = visits.find(({ day }) => day >= today);
  const choose = (key: string) =>
    wide ? router.setParams({ item: key }) : router.push({ pathname: '/year/[item]', params: { item: key } });
  const filterWords = `${whose === ALL ? 'All instruments' : names.get(whose)}, ${who === ALL ? 'by anyone' : `by ${DOER_TITLES[who].toLowerCase()}`}`;
  const first = shown[0];
  const beside = chosen ?? (first ? keyOf(first) : null);
  return {
    instruments,
    timeZone,
    items,
    occasionCards,
    nowMs,
    wide,
    who,
    setWho,
    whose,
    setWhose,
    count,
    setCount,
    filtering,
    setFiltering,
    open,
    setOpen,
    complete,
    today,
    names,
    date,
    beyond,
    rows,
    marks,
    coming,
    nextVisit,
    choose,
    filterWords,
    beside,
    chosen,
  };
}

export type YearModel = ReturnType<typeof useYearView>;
