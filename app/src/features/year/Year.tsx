import { DAY_MS } from '@tembrin/core/time';
import { DOER_TITLES } from '@tembrin/contract/year-words';
import { useLocalSearchParams } from 'expo-router';
import { View } from 'react-native';
import { useCards } from '@/state/cards';
import { useFreshShares, useShares } from '@/state/shares';
import { useSubjectNames } from '@/state/year';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { useMay } from '@/state/people';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { useWide } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { YearChart } from '@/ui/YearChart';
import { lastingWords } from '@/copy/dates';
import { listWords } from '@/copy/lists';
import { DueItemPane } from './DueItem';
import { OCCASION_TITLES } from '@/copy/screens/year/occasion-sheet';
import { OccasionSheet } from './OccasionSheet';
import { dayOfDate } from '@tembrin/core/time';
import { dueOf, subjectOf } from '@tembrin/core/parts';
import { type PlannedItem } from '@tembrin/core/year';
import type { Doer } from '@tembrin/core/log';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/year/year';
import { useYearView, ALL, PAGE, type YearModel } from './use-year-view';

/** Route: the year of the whole household; on a phone one item by itself, on a wide screen beside the others. */
export function YearRoute() {
  const { item } = useLocalSearchParams<{ item?: string }>();
  const wide = useWide();
  return item && !wide ? <DueItemPane itemKey={item} /> : <Year chosen={item ?? null} />;
}

/** All that comes due on one calendar: what, when, by whom; and the days that matter to the player. */
function Year({ chosen }: { chosen: string | null }) {
  const model = useYearView({ chosen });
  const { occasionCards, wide, open, setOpen, complete, today, names, date, nextVisit, beside } = model;
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
      <Answered />
      <Threads model={model} />
      <YourDays model={model} />
      <More />
      {open !== null && (
        <OccasionSheet card={occasionCards.find(({ id }) => id === open) ?? null} onClose={() => setOpen(null)} />
      )}
    </Screen>
  );
  if (!wide) return list;
  return (
    <Row grow>
      <Stack grow={3}>{list}</Stack>
      <Stack grow={2} rule="left">
        {beside && <DueItemPane key={beside} itemKey={beside} second />}
      </Stack>
    </Row>
  );
}

/** What workshops answered and nobody looked at yet. */
function Answered() {
  useFreshShares();
  const shares = useShares((state) => state.shares) ?? [];
  const visits = useCards('visit');
  const names = useSubjectNames();
  const open = shares.filter(
    ({ answers, visitId }) =>
      answers.some(({ settledAt }) => settledAt === null) && visits.some(({ id }) => id === visitId),
  );
  return open.map(({ id, visitId, sheets }) => (
    <LinkRow
      key={id}
      href={{ pathname: '/year/visits/[visit]', params: { visit: visitId } }}
      title={copy.answered(sheets.flatMap(({ instrumentId }) => names.get(instrumentId) ?? []))}
    />
  ));
}

/** The threads on one calendar, with the choice of which. */
function Threads({ model }: { model: YearModel }) {
  const { complete, items, rows, count, marks, nowMs, timeZone, today, chosen, choose, setCount, beyond } = model;
  return complete && items.length === 0 ? (
    <Empty title={copy.nothingToLayOut} text={copy.sayInKitWhen} />
  ) : (
    <>
      <Filter model={model} />
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
        <Button rank="plain" title={`Show more (${rows.length - count})`} onPress={() => setCount(count + 3 * PAGE)} />
      )}
      <Text kind="small" tone="quiet">
        {copy.aBeadIsThe(
          marks.some(({ kind }) => kind === 'performance'),
          marks.some(({ kind }) => kind === 'heating'),
          beyond,
        )}
      </Text>
    </>
  );
}

function Filter({ model }: { model: YearModel }) {
  const { filtering, filterWords, setFiltering, instruments, whose, setWhose, who, setWho } = model;
  return (
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
  );
}

function YourDays({ model }: { model: YearModel }) {
  const { coming, occasionCards, date, today, names, setOpen } = model;
  return (
    <View>
      <Text kind="heading" level={2}>
        Your days
      </Text>
      {coming.length === 0 && <Text tone="quiet">{copy.noneOnRecordWith}</Text>}
      <View role="list" aria-label="Your days">
        {coming.slice(0, 12).map((span, at) => {
          const card = occasionCards.find(
            ({ facts }) => facts.title === span.title && facts.spans.some(({ from }) => dayOfDate(from) === span.from),
          );
          return (
            <Row role="listitem" key={`${span.title} ${span.from} ${at}`} align="center" rule="bottom">
              <Stack padY="small" grow>
                <Text kind="strong">{span.title}</Text>
                <Text kind="small" tone="quiet">
                  {`${OCCASION_TITLES[span.kind]}, ${span.from === span.to ? date(span.from) : `${date(span.from)} to ${date(span.to)}`}${span.from > today ? `, in ${lastingWords((span.from - today) * DAY_MS)}` : ''}${span.instrumentId ? `, on ${names.get(span.instrumentId)}` : ''}`}
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
  );
}

/** What else there is of the year; the most of it for who keeps the household. */
function More() {
  const calendar = <LinkRow href="/year/calendar" title={copy.inYourCalendar} text={copy.downloadItSubscribeTo} />;
  if (!useMay('share')) return calendar;
  return (
    <View>
      <LinkRow href="/year/visits" title={copy.visits} text={copy.visitsText} />
      <LinkRow href="/year/contacts" title={copy.contacts} text={copy.contactsText} />
      <LinkRow href="/year/costs" title={copy.whatItCosts} text={copy.theYearAheadWith} />
      {calendar}
      <LinkRow href="/year/records" title={copy.outAndInAgain} text={copy.theLogAsA} />
    </View>
  );
}

/** What a visit is for: "checkup of Wren and Tern, rehair of Heron". */
function visitWords(items: readonly PlannedItem[], names: ReadonlyMap<string, string>): string {
  const parts = [...new Set(items.map(({ part }) => part))];
  return parts
    .map((part) => {
      const whose = items.filter((item) => item.part === part).map((item) => names.get(subjectOf(item)) ?? '');
      return `${dueOf(part).title.toLowerCase()} of ${listWords(whose)}`;
    })
    .join('; ');
}
