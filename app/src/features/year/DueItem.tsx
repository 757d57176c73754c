import { DAY_MS } from '@tembrin/core/time';
import { DOER_TITLES, plannedWords } from '@tembrin/contract/year-words';
import { router } from 'expo-router';
import { useLog } from '@/state/log';
import { useYear } from '@/state/year';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { DateField } from '@/ui/Field';
import { Figures } from '@/ui/Figures';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { StateMark } from '@/ui/StateMark';
import { Thread } from '@/ui/Thread';
import { Text } from '@/ui/Text';
import { dateWords, fullDateWords } from '@/copy/dates';
import { CallFor } from '../call-route';
import { JobLink } from '../JobLink';
import { keyOf } from './names';
import { dateOfDay, dayOfDate } from '@tembrin/core/time';
import { dueOf, partOf } from '@tembrin/core/parts';
import { type PlannedItem } from '@tembrin/core/year';
import { Grid, Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/year/due-item';
import { useDueItem, type DueItemModel } from './use-due-item';

const percent = (chance: number) => `${Math.round(chance * 100)} %`;

/** One thing that comes due: when it is planned for and why, what moving it costs, who does it. */
export function DueItemPane({ itemKey, second }: { itemKey: string; second?: boolean }) {
  const item = useYear().items.find((each) => keyOf(each) === itemKey);
  const complete = useLog((state) => state.complete === 'all');
  if (!complete) {
    return (
      <Screen title="Year" back={second ? undefined : '/year'} second={second}>
        <Text tone="quiet">{FETCHING_LOG}</Text>
      </Screen>
    );
  }
  if (!item) {
    return (
      <Screen title="Year" back={second ? undefined : '/year'} second={second}>
        <Empty title={copy.noLongerDue} text={copy.itWasDoneOr} />
      </Screen>
    );
  }
  return <ItemOnRecord item={item} second={second} />;
}

function ItemOnRecord({ item, second }: { item: PlannedItem; second?: boolean }) {
  const model = useDueItem(item);
  const { job } = partOf(item.part);
  const { busy, name, date, day, moved, card, save, clear } = model;
  return (
    <Screen
      title={`${name}: ${dueOf(item.part).title.toLowerCase()}`}
      back={second ? undefined : '/year'}
      second={second}
      foot={
        <>
          {moved !== 0 ? (
            <Button title={copy.planItFor(date(day))} busy={busy} onPress={() => void save({ day })} />
          ) : (
            item.part === 'strings' && (
              <Button
                title={copy.changeStringsStepBy}
                onPress={() => router.push({ pathname: '/bench/change', params: { id: item.instrumentId } })}
              />
            )
          )}
          {card && <Button rank="plain" title={copy.leaveItToThe} onPress={clear} />}
        </>
      }
    >
      <Planned model={model} />
      {job && <JobLink job={job} instrumentId={item.instrumentId} />}
      {item.who === 'workshop' && (
        <>
          <LinkRow href={{ pathname: '/kit/[id]/brief', params: { id: item.instrumentId } }} title={copy.brief} />
          <CallFor role="workshop" />
        </>
      )}
      {item.who === 'teacher' && <CallFor role="teacher" />}
      {item.clash && <Banner tone="soon" text={copy.itFallsIntoThe(item.keepsClear, item.clash.title)} />}
      <MoveIt model={model} />
      <Choice
        label="Done by"
        options={(['self', 'teacher', 'workshop'] as const).map((value) => ({ value, title: DOER_TITLES[value] }))}
        value={item.who}
        onChange={(by) => void save({ by })}
      />
      <Dates model={model} />
    </Screen>
  );
}

/** When it is planned for, and why. */
function Planned({ model }: { model: DueItemModel }) {
  const { day, today, date, item, nowMs, timeZone } = model;
  return (
    <Stack gap="small">
      <Row align="center" justify="between">
        <Text kind="huge">{day === today ? 'Today' : date(day)}</Text>
        <StateMark state={item.state} />
      </Row>
      <Thread
        from={item.from}
        window={item.window}
        state={item.state}
        nowMs={nowMs}
        timeZone={timeZone}
        label={dueOf(item.part).title}
        tall
      />
      <Text>{plannedWords(item, timeZone, fullDateWords(timeZone))}</Text>
    </Stack>
  );
}

function MoveIt({ model }: { model: DueItemModel }) {
  const { nudge, day, today, setTried, risk, moved, planned } = model;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        Move it
      </Text>
      <Grid gap="small">
        <Button rank="outline" title={copy.aWeekSooner} onPress={() => nudge(-7)} disabled={day <= today} />
        <Button rank="outline" title={copy.aWeekLater} onPress={() => nudge(7)} />
        <Button rank="outline" title={copy.aMonthLater} onPress={() => nudge(30)} />
      </Grid>
      <DateField
        type="date"
        label={copy.onTheDay}
        value={dateOfDay(day)}
        onChange={(text) => {
          if (/^\d{4}-\d\d-\d\d$/.test(text)) setTried(Math.max(today, dayOfDate(text)));
        }}
      />
      <Text role="status" tone={risk >= 0.75 ? 'now' : 'text'}>
        {moved === 0
          ? copy.chanceThatItIs(percent(risk))
          : copy.theChanceThatIt({
              movedMs: Math.abs(moved) * DAY_MS,
              moved,
              before: percent(planned),
              after: percent(risk),
            })}
      </Text>
    </Stack>
  );
}

function Dates({ model }: { model: DueItemModel }) {
  const { item, nowMs, timeZone, together } = model;
  return (
    <Figures
      rows={[
        ['Early end (10 %)', dateWords(item.window.early, nowMs, timeZone)],
        ['Middle (50 %)', dateWords(item.window.middle, nowMs, timeZone)],
        ['Late end (90 %)', dateWords(item.window.late, nowMs, timeZone)],
        ['Settles in', item.settles === 0 ? 'at once' : `${item.settles} days`],
        [copy.leftAloneBeforeA, `${item.keepsClear} days`],
        ...(together ? [[copy.inOneVisitWith, `${together.items.length - 1} more`] as const] : []),
      ]}
    />
  );
}
