import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { View } from 'react-native';
import { useAssessment } from '@/state/assessments';
import { retract } from '@/state/actions';
import { useBowNames } from '@/state/bows';
import { useLog } from '@/state/log';
import { useNamesOfDoers } from '@/state/people';
import { Button } from '@/ui/Button';
import { Text } from '@/ui/Text';
import { clockSpanWords, dateWords, minutesWords } from '@/copy/dates';
import { eventWords } from '@/copy/events';
import { everydaySteps, roundRecords } from '@tembrin/core/routines';
import { liveEvents, takenBack, type InstrumentLog, type LogEvent, type Session, type StepId } from '@tembrin/core/log';
import { Press, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/kit/history';

const PAGE = 12;
const NONE: readonly LogEvent[] = [];

type Entry = { at: number; id: string } & ({ session: Session } | { event: LogEvent });

/** Steps on the way of something that stands there itself. */
const PARTS: readonly LogEvent['type'][] = ['look-over-ended', 'look-skipped', 'trouble-answered', 'job-began'];

/** Whether an event is more than a part of some session, or of a look-over that found nothing there. */
function standsAlone({ type, payload }: LogEvent): boolean {
  if (PARTS.includes(type)) return false;
  if ('verdict' in payload) return payload.overId === null || payload.verdict !== 'good';
  return !('sessionId' in payload) || payload.sessionId === null;
}

/** What stands in the history by itself: sessions, and everything that is not part of one. */
function entriesOf(log: InstrumentLog, recorded: readonly LogEvent[]): Entry[] {
  const sessions: Entry[] = log.sessions.map((session) => ({ at: session.beganAt, id: session.id, session }));
  const events: Entry[] = liveEvents(recorded)
    .filter(
      (event) => Date.parse(event.occurredAt) <= log.nowMs && !event.type.startsWith('session-') && standsAlone(event),
    )
    .map((event) => ({ at: Date.parse(event.occurredAt), id: event.id, event }));
  return [...sessions, ...events].sort((a, b) => b.at - a.at);
}

/** An entry with what goes with it: a look-over has all that was seen in it. */
function withLooks({ id, type }: LogEvent, events: readonly LogEvent[]): string[] {
  if (type !== 'look-over-began') return [id];
  return [id, ...events.flatMap(({ id: own, payload }) => ('overId' in payload && payload.overId === id ? [own] : []))];
}

/** The instrument's log, newest first. Sessions can be corrected; everything can be retracted, and put back. */
export function History({ instrument, log }: { instrument: Instrument; log: InstrumentLog }) {
  const { schools } = useAssessment(instrument);
  const recorded = useLog((state) => state.events[instrument.id]) ?? NONE;
  const [shown, setShown] = useState(PAGE);
  const entries = useMemo(() => entriesOf(log, recorded), [log, recorded]);
  const steps = everydaySteps(instrument, schools);
  return (
    <Stack gap="small">
      <Row align="center" justify="between">
        <Text kind="heading" level={2}>
          History
        </Text>
        <Button
          rank="plain"
          title={copy.enterASession}
          onPress={() => router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id } })}
        />
      </Row>
      {entries.length === 0 && <Text tone="quiet">{copy.nothingYetStartPlaying}</Text>}
      <View role="list" aria-label="History">
        {entries
          .slice(0, shown)
          .map((entry) =>
            'session' in entry ? (
              <SessionEntry key={entry.id} session={entry.session} instrument={instrument} log={log} steps={steps} />
            ) : (
              <EventEntry key={entry.id} event={entry.event} instrument={instrument} log={log} />
            ),
          )}
      </View>
      {entries.length > shown && (
        <Button
          rank="plain"
          title={`Show more (${entries.length - shown})`}
          onPress={() => setShown(shown + 4 * PAGE)}
        />
      )}
      <Retracted instrument={instrument} log={log} />
    </Stack>
  );
}

/** What was retracted, out of sight until asked for; each can be put back. */
function Retracted({ instrument, log }: { instrument: Instrument; log: InstrumentLog }) {
  const events = useLog((state) => state.events[instrument.id]);
  const bows = useBowNames(instrument);
  const [open, setOpen] = useState(false);
  const gone = useMemo(() => takenBack(events ?? []).filter(({ event }) => standsAlone(event)), [events]);
  if (gone.length === 0) return null;
  const byOfLooks = (event: LogEvent) => {
    const [, ...looks] = withLooks(event, events ?? []);
    return takenBack(events ?? []).flatMap(({ event: other, by }) => (looks.includes(other.id) ? by : []));
  };
  return (
    <View>
      <Button
        rank="plain"
        title={open ? copy.hideWhatWasRetracted : copy.showWhatWasRetracted(gone.length)}
        onPress={() => setOpen(!open)}
        start
        flush
      />
      {open && (
        <View role="list" aria-label="Retracted">
          {gone.slice(0, 4 * PAGE).map(({ event, by }) => {
            const words = eventWords(event, instrument, log.timeZone, bows);
            return (
              <EntryRow
                key={event.id}
                date={dateWords(Date.parse(event.occurredAt), log.nowMs, log.timeZone)}
                words={words}
                action="Put back"
                onPress={() => void retract(instrument.id, [...by, ...byOfLooks(event)], `Put back: ${words}.`)}
              />
            );
          })}
        </View>
      )}
    </View>
  );
}

function SessionEntry({
  session,
  instrument,
  log,
  steps,
}: {
  session: Session;
  instrument: Instrument;
  log: InstrumentLog;
  /** Steps of every evening. */
  steps: readonly StepId[];
}) {
  const { beganAt, endedAt, id } = session;
  const { timeZone, nowMs } = log;
  const records = roundRecords(log, session);
  const done = steps.filter((step) => records.get(step)?.done).length;
  const span = endedAt === null ? copy.fromStillRunning(beganAt, timeZone) : clockSpanWords(beganAt, endedAt, timeZone);
  const length = endedAt === null ? '' : `, ${minutesWords((endedAt - beganAt) / 60_000)}`;
  const text = `${span}${length}`;
  const began = useLog((state) => state.events[instrument.id])?.find((event) => event.id === id);
  const who = useNamesOfDoers()(began?.by);
  const round = copy.closingRoundOf({
    done,
    steps: steps.length,
    corrected: session.corrected,
    entered: session.entered,
  });
  return (
    <View role="listitem">
      <Press
        role="button"
        aria-label={copy.correctOrRetractThe({
          beganAt,
          nowMs,
          timeZone,
          text: `${text}. ${who === null ? round : `${who}. ${round}`}`,
        })}
        onPress={() => router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id, sessionId: id } })}
        row
        gap="one"
        align="center"
        touch
        rule="bottom"
      >
        <Text kind="table" width={92}>
          {dateWords(beganAt, nowMs, timeZone)}
        </Text>
        <Stack padY="hair" grow>
          <Text kind="table">{text}</Text>
          <Text kind="small" tone="quiet">
            {who === null ? round : `${who} · ${round}`}
          </Text>
        </Stack>
      </Press>
    </View>
  );
}

function EventEntry({ event, instrument, log }: { event: LogEvent; instrument: Instrument; log: InstrumentLog }) {
  const words = eventWords(event, instrument, log.timeZone, useBowNames(instrument));
  const who = useNamesOfDoers()(event.by);
  const recorded = useLog((state) => state.events[instrument.id]) ?? NONE;
  return (
    <EntryRow
      date={dateWords(Date.parse(event.occurredAt), log.nowMs, log.timeZone)}
      words={words}
      who={who}
      action="Retract"
      onPress={() => void retract(instrument.id, withLooks(event, liveEvents(recorded)), `Retracted: ${words}.`)}
    />
  );
}

/** A date, what happened, and what can be done about it. */
function EntryRow({
  date,
  words,
  who,
  action,
  onPress,
}: {
  date: string;
  words: string;
  /** Who did it, where several may have. */
  who?: string | null;
  action: string;
  onPress: () => void;
}) {
  return (
    <Row role="listitem" gap="one" align="center" touch rule="bottom">
      <Text kind="table" width={92}>
        {date}
      </Text>
      <Stack grow>
        <Text kind="small">{words}</Text>
        {who && (
          <Text kind="small" tone="quiet">
            {who}
          </Text>
        )}
      </Stack>
      <Button rank="plain" title={action} label={`${action}: ${words}, ${date}`} onPress={onPress} />
    </Row>
  );
}
