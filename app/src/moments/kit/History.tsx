import {
  everydaySteps,
  roundRecords,
  takenBack,
  type InstrumentLog,
  type LogEvent,
  type Session,
  type StepId,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useMemo, useState } from 'react';
import { Pressable, View } from 'react-native';
import { useJudged } from '@/state/condition';
import { retract } from '@/state/doing';
import { useLog } from '@/state/log';
import { Button } from '@/ui/Button';
import { GAP, TOUCH, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { clockWords, dateWords, minutesWords } from '@/words/dates';
import { eventWords } from '@/words/events';

const PAGE = 12;

type Entry = { at: number; id: string } & ({ session: Session } | { event: LogEvent });

/** Whether an event is more than a part of some session. */
function standsAlone({ payload }: LogEvent): boolean {
  return !('sessionId' in payload) || payload.sessionId === null;
}

/** What stands in the history by itself: sessions, and everything that is not part of one. */
function entriesOf(log: InstrumentLog): Entry[] {
  const sessions: Entry[] = log.sessions.map((session) => ({ at: session.beganAt, id: session.id, session }));
  const events: Entry[] = log.live
    .filter((event) => !event.type.startsWith('session-') && standsAlone(event))
    .map((event) => ({ at: Date.parse(event.occurredAt), id: event.id, event }));
  return [...sessions, ...events].sort((a, b) => b.at - a.at);
}

/** The instrument's log, newest first. Sessions can be corrected; everything can be retracted, and put back. */
export function History({ instrument, log }: { instrument: Instrument; log: InstrumentLog }) {
  const { schools } = useJudged(instrument);
  const [shown, setShown] = useState(PAGE);
  const entries = useMemo(() => entriesOf(log), [log]);
  const steps = everydaySteps(instrument, schools);
  return (
    <View style={{ gap: GAP.small }}>
      <View style={{ flexDirection: 'row', alignItems: 'center', justifyContent: 'space-between' }}>
        <Words kind="heading" level={2}>
          History
        </Words>
        <Button
          rank="plain"
          title="Enter a session"
          onPress={() => router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id } })}
        />
      </View>
      {entries.length === 0 && (
        <Words tone="quiet">Nothing yet. Start playing on Now, or enter a session you played earlier.</Words>
      )}
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
    </View>
  );
}

/** What was retracted, out of sight until asked for; each can be put back. */
function Retracted({ instrument, log }: { instrument: Instrument; log: InstrumentLog }) {
  const events = useLog((state) => state.events[instrument.id]);
  const [open, setOpen] = useState(false);
  const gone = useMemo(() => takenBack(events ?? []).filter(({ event }) => standsAlone(event)), [events]);
  if (gone.length === 0) return null;
  return (
    <View>
      <Button
        rank="plain"
        title={open ? 'Hide what was retracted' : `Show what was retracted (${gone.length})`}
        onPress={() => setOpen(!open)}
        style={{ alignSelf: 'flex-start', marginLeft: -GAP.small }}
      />
      {open && (
        <View role="list" aria-label="Retracted">
          {gone.slice(0, 4 * PAGE).map(({ event, by }) => {
            const words = eventWords(event, instrument, log.timeZone);
            return (
              <EntryRow
                key={event.id}
                date={dateWords(Date.parse(event.occurredAt), log.nowMs, log.timeZone)}
                words={words}
                action="Put back"
                onPress={() => void retract(instrument.id, by, `Put back: ${words}.`)}
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
  const { line } = usePalette();
  const { beganAt, endedAt, id } = session;
  const { timeZone, nowMs } = log;
  const records = roundRecords(log, session);
  const done = steps.filter((step) => records.get(step)?.done).length;
  const span =
    endedAt === null
      ? `from ${clockWords(beganAt, timeZone)}, still running`
      : `${clockWords(beganAt, timeZone)} to ${clockWords(endedAt, timeZone)}`;
  const length = endedAt === null ? '' : `, ${minutesWords((endedAt - beganAt) / 60_000)}`;
  const text = `${span}${length}`;
  return (
    <View role="listitem">
      <Pressable
        role="button"
        aria-label={`Correct or retract the session of ${dateWords(beganAt, nowMs, timeZone)}, ${text}`}
        onPress={() => router.push({ pathname: '/kit/[id]/session', params: { id: instrument.id, sessionId: id } })}
        style={{
          flexDirection: 'row',
          gap: GAP.one,
          minHeight: TOUCH,
          alignItems: 'center',
          borderBottomWidth: 1,
          borderBottomColor: line,
        }}
      >
        <Words kind="table" style={{ width: 92 }}>
          {dateWords(beganAt, nowMs, timeZone)}
        </Words>
        <View style={{ flex: 1, paddingVertical: GAP.hair }}>
          <Words kind="table">{text}</Words>
          <Words kind="small" tone="quiet">
            {`Closing round ${done} of ${steps.length}${session.corrected ? ' · corrected' : session.entered ? ' · entered afterwards' : ''}`}
          </Words>
        </View>
      </Pressable>
    </View>
  );
}

function EventEntry({ event, instrument, log }: { event: LogEvent; instrument: Instrument; log: InstrumentLog }) {
  const words = eventWords(event, instrument, log.timeZone);
  return (
    <EntryRow
      date={dateWords(Date.parse(event.occurredAt), log.nowMs, log.timeZone)}
      words={words}
      action="Retract"
      onPress={() => void retract(instrument.id, [event.id], `Retracted: ${words}.`)}
    />
  );
}

/** A date, what happened, and what can be done about it. */
function EntryRow({
  date,
  words,
  action,
  onPress,
}: {
  date: string;
  words: string;
  action: string;
  onPress: () => void;
}) {
  const { line } = usePalette();
  return (
    <View
      role="listitem"
      style={{
        flexDirection: 'row',
        gap: GAP.one,
        minHeight: TOUCH,
        alignItems: 'center',
        borderBottomWidth: 1,
        borderBottomColor: line,
      }}
    >
      <Words kind="table" style={{ width: 92 }}>
        {date}
      </Words>
      <Words kind="small" style={{ flex: 1 }}>
        {words}
      </Words>
      <Button rank="plain" title={action} label={`${action}: ${words}, ${date}`} onPress={onPress} />
    </View>
  );
}
