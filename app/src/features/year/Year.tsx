import { DOER_TITLES } from '@tembrin/contract';
import { router, useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { View } from 'react-native';
import { useCards } from '@/state/cards';
import { usePlaces } from '@/state/assessments';
import { useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { useYear } from '@/state/year';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { useKeys } from '@/ui/keys';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { useWide } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { YearChart, type YearMark, type YearRow } from '@/ui/YearChart';
import { dateWords, lastingWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';
import { useMoment } from '../air/where';
import { DueItemPane } from './DueItem';
import { keyOf } from './names';
import { OCCASION_TITLES } from '@/copy/screens/year/occasion-sheet';
import { OccasionSheet } from './OccasionSheet';
import { dayOfDate, localDay, startOfLocalDay } from '@tembrin/core/time';
import { dueOf } from '@tembrin/core/parts';
import { spansBetween, type PlannedItem } from '@tembrin/core/year';
import type { Doer } from '@tembrin/core/log';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/year/year';

const ALL = 'all';
const AHEAD_DAYS = 365;
/** Threads drawn at once, and a moment later; a household of sixty instruments has some two hundred, which are asked for. */
const PAGE = 12;
const LATER = 36;
const LATER_MS = 250;

/** Route: the year of the whole household; on a phone one item by itself, on a wide screen beside the others. */
export function YearRoute() {
  const { item } = useLocalSearchParams<{ item?: string }>();
  const wide = useWide();
  return item && !wide ? <DueItemPane itemKey={item} /> : <Year chosen={item ?? null} />;
}

/** All that comes due on one calendar: what, when, by whom; and the days that matter to the player. */
function Year({ chosen }: { chosen: string | null }) {
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
  const names = new Map(instruments.map(({ id, name }) => [id, name]));
  const date = (day: number) => dateWords(startOfLocalDay(day, timeZone) + 43_200_000, nowMs, timeZone);
  const shown = items.filter(
    (item) =>
      (who === ALL || item.who === who) &&
      (whose === ALL || item.instrumentId === whose) &&
      item.day <= today + AHEAD_DAYS,
  );
  const beyond = items.filter(
    (item) =>
      (who === ALL || item.who === who) &&
      (whose === ALL || item.instrumentId === whose) &&
      item.day > today + AHEAD_DAYS,
  ).length;
  const rows = shown.map((item): YearRow => {
    const title = `${names.get(item.instrumentId)}: ${dueOf(item.part).title.toLowerCase()}`;
    const detail = item.day === today ? 'today' : date(item.day);
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
        day: item.day,
        today,
        detail,
        doerTitle: DOER_TITLES[item.who],
        early: item.window.early,
        late: item.window.late,
        nowMs,
        timeZone,
      }),
    };
  });
  const spans = spansBetween(occasions, today - 30, today + AHEAD_DAYS).filter(
    (span) => whose === ALL || span.instrumentId === null || span.instrumentId === whose,
  );
  const marks: YearMark[] = [
    ...heatingSpans(
      [...places.values()].flatMap(({ place }) => place.heating ?? []),
      today,
    ),
    ...spans.flatMap(({ from, to, kind }): YearMark[] =>
      kind === 'lesson' ? [] : [{ from, to, kind: kind === 'holiday' ? 'rest' : 'performance' }],
    ),
  ];
  const coming = spans.filter(({ to }) => to >= today);
  const nextVisit = visits.find(({ day }) => day >= today);
  const choose = (key: string) =>
    wide ? router.setParams({ item: key }) : router.push({ pathname: '/year/[item]', params: { item: key } });
  const filterWords = `${whose === ALL ? 'All instruments' : names.get(whose)}, ${who === ALL ? 'by anyone' : `by ${DOER_TITLES[who].toLowerCase()}`}`;
  const list = (
    <Screen
      title="Year"
      broad={wide}
      foot={<Button title={copy.addAPerformanceExam} hotkey="o" onPress={() => setOpen('new')} />}
    >
      {!complete && <Text tone="quiet">{FETCHING_LOG}</Text>}
      {complete && nextVisit && (
        <Stack gap="small">
          <Text kind="figure">{nextVisit.day === today ? 'Today' : date(nextVisit.day)}</Text>
          <Text>{copy.theNextVisitTo(visitWords(nextVisit.items, names), nextVisit.items.length)}</Text>
        </Stack>
      )}
      {complete && items.length === 0 ? (
        <Empty title={copy.nothingToLayOut} text={copy.sayInKitWhen} />
      ) : (
        <>
          <Stack gap="half">
            <Button
              rank="outline"
              title={filtering ? copy.hideTheChoice : filterWords}
              onPress={() => setFiltering(!filtering)}
              start
            />
            {filtering && (
              <Stack gap="half">
                {instruments.length > 1 && (
                  <Choice
                    label="Instrument"
                    options={[
                      { value: ALL, title: 'All' },
                      ...instruments.map(({ id, name }) => ({ value: id, title: name })),
                    ]}
                    value={whose}
                    onChange={setWhose}
                  />
                )}
                <Choice
                  label="Done by"
                  options={[
                    { value: ALL as Doer | typeof ALL, title: 'Anyone' },
                    ...(['self', 'teacher', 'workshop'] as const).map((value) => ({
                      value,
                      title: DOER_TITLES[value],
                    })),
                  ]}
                  value={who}
                  onChange={setWho}
                />
              </Stack>
            )}
          </Stack>
          {rows.length > 0 ? (
            <YearChart
              rows={rows.slice(0, count)}
              marks={marks}
              nowMs={nowMs}
              timeZone={timeZone}
              today={today}
              chosen={chosen}
              onChoose={choose}
            />
          ) : (
            <Text tone="quiet">{copy.nothingOfThisComes}</Text>
          )}
          {rows.length > count && (
            <Button
              rank="plain"
              title={`Show more (${rows.length - count})`}
              onPress={() => setCount(count + 3 * PAGE)}
            />
          )}
          <Text kind="small" tone="quiet">
            {copy.aBeadIsThe(
              marks.some(({ kind }) => kind === 'performance'),
              marks.some(({ kind }) => kind === 'heating'),
              beyond,
            )}
          </Text>
        </>
      )}
      <View>
        <Text kind="heading" level={2}>
          Your days
        </Text>
        {coming.length === 0 && <Text tone="quiet">{copy.noneOnRecordWith}</Text>}
        <View role="list" aria-label="Your days">
          {coming.slice(0, 12).map((span, at) => {
            const card = occasionCards.find(
              ({ facts }) =>
                facts.title === span.title && facts.spans.some(({ from }) => dayOfDate(from) === span.from),
            );
            return (
              <Row role="listitem" key={`${span.title} ${span.from} ${at}`} align="center" rule="bottom">
                <Stack padY="small" grow>
                  <Text kind="strong">{span.title}</Text>
                  <Text kind="small" tone="quiet">
                    {`${OCCASION_TITLES[span.kind]}, ${span.from === span.to ? date(span.from) : `${date(span.from)} to ${date(span.to)}`}${span.from > today ? `, in ${lastingWords((span.from - today) * 86_400_000)}` : ''}${span.instrumentId ? `, on ${names.get(span.instrumentId)}` : ''}`}
                  </Text>
                </Stack>
                {card && (
                  <Button rank="plain" title="Change" label={`Change ${span.title}`} onPress={() => setOpen(card.id)} />
                )}
              </Row>
            );
          })}
        </View>
        {coming.length > 12 && (
          <Text kind="small" tone="quiet">
            {copy.andMoreDates(coming.length - 12)}
          </Text>
        )}
      </View>
      <View>
        <LinkRow href="/year/costs" label={copy.whatItCosts}>
          <Text kind="strong">{copy.whatItCosts}</Text>
          <Text kind="small" tone="quiet">
            {copy.theYearAheadWith}
          </Text>
        </LinkRow>
        <LinkRow href="/year/calendar" label={copy.inYourCalendar}>
          <Text kind="strong">{copy.inYourCalendar}</Text>
          <Text kind="small" tone="quiet">
            {copy.downloadItSubscribeTo}
          </Text>
        </LinkRow>
        <LinkRow href="/year/records" label={copy.outAndInAgain}>
          <Text kind="strong">{copy.outAndInAgain}</Text>
          <Text kind="small" tone="quiet">
            {copy.theLogAsA}
          </Text>
        </LinkRow>
      </View>
      {open !== null && (
        <OccasionSheet card={occasionCards.find(({ id }) => id === open) ?? null} onClose={() => setOpen(null)} />
      )}
    </Screen>
  );
  if (!wide) return list;
  const first = shown[0];
  const beside = chosen ?? (first ? keyOf(first) : null);
  return (
    <Row grow>
      <Stack grow={3}>{list}</Stack>
      <Stack grow={2} rule="left">
        {beside && <DueItemPane key={beside} itemKey={beside} second />}
      </Stack>
    </Row>
  );
}

/** What a visit is for: "checkup of Wren and Tern, rehair of Heron". */
function visitWords(items: readonly PlannedItem[], names: ReadonlyMap<string, string>): string {
  const parts = [...new Set(items.map(({ part }) => part))];
  return parts
    .map((part) => {
      const whose = items.filter((item) => item.part === part).map(({ instrumentId }) => names.get(instrumentId) ?? '');
      return `${dueOf(part).title.toLowerCase()} of ${listWords(whose)}`;
    })
    .join('; ');
}

/** Heating seasons of the coming year as spans of days. */
function heatingSpans(seasons: readonly { from: number; to: number }[], today: number): YearMark[] {
  const season = seasons[0];
  if (!season) return [];
  const year = new Date(today * 86_400_000).getUTCFullYear();
  return [year - 1, year, year + 1].map((from): YearMark => {
    const end = season.to < season.from ? from + 1 : from;
    return {
      from: Math.round(Date.UTC(from, season.from - 1, 1) / 86_400_000),
      to: Math.round(Date.UTC(end, season.to, 0) / 86_400_000),
      kind: 'heating',
    };
  });
}
