import type { DiaryOrder } from '@tembrin/core';
import {
  DIARY_BYTES,
  type DiaryFilePlan,
  type DiaryGuess,
  type DiaryPreview,
  type DiaryRequest,
} from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { ScrollView, View } from 'react-native';
import { call, sentenceOf } from '@/state/api';
import { useHousehold } from '@/state/household';
import { look as refreshLog } from '@/state/log';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { dateWords, minutesWords } from '@/words/dates';
import { useMoment } from '../air/where';
import { textOf, useFileInput } from './files';

const ORDERS: readonly { value: DiaryOrder; title: string }[] = [
  { value: 'dmy', title: 'Day, month, year' },
  { value: 'mdy', title: 'Month, day, year' },
  { value: 'ymd', title: 'Year, month, day' },
];
const UNITS = [
  { value: 'minutes' as const, title: 'Minutes' },
  { value: 'hours' as const, title: 'Hours' },
  { value: 'clock' as const, title: 'h:mm' },
];
const NO_COLUMN = -1;

/** A guess in which nothing has to be asked any more. */
function planOf(guess: DiaryGuess): DiaryFilePlan | null {
  const { date, order, length, unit } = guess;
  if (date === null || order === null || length === null || unit === null) return null;
  return { ...guess, date, order, length, unit };
}

/** A practice diary out of a spreadsheet: columns matched, faults shown line by line, then all of it or nothing. */
export function Diary() {
  const { instruments } = useHousehold((state) => state.household)!;
  const { nowMs, timeZone } = useMoment();
  const { line } = usePalette();
  const [text, setText] = useState<string | null>(null);
  const [preview, setPreview] = useState<DiaryPreview | null>(null);
  const [guess, setGuess] = useState<DiaryGuess | null>(null);
  const [whose, setWhose] = useState<string | null>(instruments.length === 1 ? instruments[0]!.id : null);
  const [onRecord, setOnRecord] = useState<DiaryRequest['onRecord']>('leave');
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);

  const look = async (asked: Omit<DiaryRequest, 'plan'> & { plan: DiaryGuess | null }) => {
    setProblem(null);
    setBusy(true);
    try {
      const found = await call('previewDiary', { body: { ...asked, plan: asked.plan && planOf(asked.plan) } });
      setPreview(found);
      setGuess(asked.plan ?? found.guess);
    } catch (error) {
      setPreview(null);
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const choose = async (file: File) => {
    setPreview(null);
    setGuess(null);
    setProblem(null);
    if (file.size > DIARY_BYTES)
      return setProblem(
        `That file has ${(file.size / 1e6).toFixed(1)} MB; at most ${DIARY_BYTES / 1e6} MB are read. Send it in parts, a few years each.`,
      );
    const read = await textOf(file);
    setText(read);
    await look({ text: read, plan: null, instrumentId: whose, onRecord });
  };
  const input = useFileInput('Practice diary', '.csv,.tsv,.txt,text/csv', (file) => void choose(file));
  const change = (more: Partial<DiaryGuess>) => {
    const next = { ...guess!, ...more };
    setGuess(next);
    if (planOf(next)) void look({ text: text!, plan: next, instrumentId: whose, onRecord });
  };
  const again = (more: Partial<Pick<DiaryRequest, 'instrumentId' | 'onRecord'>>) =>
    void look({ text: text!, plan: guess, instrumentId: whose, onRecord, ...more });
  const plan = guess && planOf(guess);
  const needsWhose = guess?.instrument === null && whose === null;
  const ready = preview && plan && !needsWhose && preview.count > 0;
  const bring = async () => {
    if (!plan || !text) return;
    setBusy(true);
    setProblem(null);
    try {
      const came = await call('importDiary', {
        body: { text, plan, instrumentId: whose, onRecord, leaveFaulty: true },
      });
      await refreshLog();
      notify(
        `${came.stored} ${came.stored === 1 ? 'session is' : 'sessions are'} on record${came.known > 0 ? `; ${came.known} were already` : ''}.`,
      );
      router.replace('/kit');
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const heads = preview?.head[(guess?.skip ?? 1) - 1] ?? [];
  const width = Math.max(0, ...(preview?.head ?? []).map((cells) => cells.length));
  const columns = Array.from({ length: width }, (_, at) => ({
    value: at,
    title: heads[at]?.trim() || `Column ${at + 1}`,
  }));
  const names = new Map(instruments.map(({ id, name }) => [id, name]));
  return (
    <Screen
      title="Practice diary"
      back="/year/records"
      foot={
        <Button
          title={
            ready
              ? `Put ${preview.count} ${preview.count === 1 ? 'session' : 'sessions'} on record`
              : preview
                ? needsWhose
                  ? 'Say which instrument it is about'
                  : plan
                    ? 'Nothing new in it'
                    : 'Answer what is asked'
                : 'Choose a file'
          }
          busy={busy}
          disabled={preview !== null && !ready}
          onPress={() => (ready ? void bring() : input.open())}
        />
      }
    >
      <Words tone="quiet">
        A file with a date and a length of time in each line; a column with the instrument if there are several. Days
        without a time of day are put from noon on.
      </Words>
      {problem !== null && <Banner tone="now" text={problem} />}
      {input.element}
      {preview && (
        <>
          <Button
            rank="plain"
            title="Choose another file"
            onPress={input.open}
            style={{ alignSelf: 'flex-start', marginLeft: -GAP.small }}
          />
          <ScrollView
            horizontal
            style={{ borderTopWidth: 1, borderTopColor: line }}
            tabIndex={0}
            aria-label="The first lines of the file"
            role="region"
          >
            <View role="table" aria-label="The first lines of the file">
              {preview.head.slice(0, 5).map((cells, at) => (
                <View
                  key={at}
                  role="row"
                  style={{ flexDirection: 'row', borderBottomWidth: 1, borderBottomColor: line }}
                >
                  {cells.map((cell, column) => (
                    <Words
                      key={column}
                      role="cell"
                      kind={at < (guess?.skip ?? 0) ? 'smallStrong' : 'small'}
                      numberOfLines={1}
                      style={{ width: 112, paddingVertical: 6, paddingRight: GAP.small }}
                    >
                      {cell}
                    </Words>
                  ))}
                </View>
              ))}
            </View>
          </ScrollView>
          {guess && (
            <View style={{ gap: GAP.one }}>
              <Choice
                label="The date is in"
                options={columns}
                value={guess.date}
                onChange={(date) => change({ date })}
              />
              <Choice
                label="Dates are written as"
                hint={guess.order === null ? 'They can be read both ways. Which comes first?' : undefined}
                options={ORDERS}
                value={guess.order}
                onChange={(order) => change({ order })}
              />
              <Choice
                label="How long was played is in"
                options={columns}
                value={guess.length}
                onChange={(length) => change({ length })}
              />
              <Choice
                label="It is in"
                hint={guess.unit === null ? 'The file does not say.' : undefined}
                options={UNITS}
                value={guess.unit}
                onChange={(unit) => change({ unit })}
              />
              <Choice
                label="The instrument is in"
                options={[...columns, { value: NO_COLUMN, title: 'No column: one for all' }]}
                value={guess.instrument ?? NO_COLUMN}
                onChange={(instrument) => change({ instrument: instrument === NO_COLUMN ? null : instrument })}
              />
              {guess.instrument === null && (
                <Choice
                  label="All of it is about"
                  options={instruments.map(({ id, name }) => ({ value: id, title: name }))}
                  value={whose}
                  onChange={(id) => {
                    setWhose(id);
                    again({ instrumentId: id });
                  }}
                />
              )}
              <Choice
                label="Days that have playing on record"
                options={[
                  { value: 'leave' as const, title: 'Leave as they are' },
                  { value: 'add' as const, title: 'Add the diary’s beside it' },
                ]}
                value={onRecord}
                onChange={(value) => {
                  setOnRecord(value);
                  again({ onRecord: value });
                }}
              />
            </View>
          )}
          {plan && !needsWhose && (
            <View style={{ gap: GAP.small }}>
              <Words kind="heading" level={2}>
                {`${preview.count} sessions, ${minutesWords(preview.minutes)}`}
              </Words>
              {preview.left > 0 && (
                <Words
                  kind="small"
                  tone="quiet"
                >{`${preview.left} left out: their days have playing on record.`}</Words>
              )}
              <View role="list" aria-label="First sessions">
                {preview.entries.map((entry) => (
                  <Words key={entry.line} role="listitem" kind="table">
                    {`${dateWords(Date.parse(`${entry.date}T12:00:00Z`), nowMs, timeZone)}: ${minutesWords(entry.minutes)}, ${names.get(entry.instrumentId)}`}
                  </Words>
                ))}
              </View>
              {preview.faulty > 0 && (
                <View role="list" aria-label="Lines that are left out" style={{ gap: GAP.hair }}>
                  <Words kind="smallStrong" tone="now">
                    {`${preview.faulty} ${preview.faulty === 1 ? 'line is' : 'lines are'} left out`}
                  </Words>
                  {preview.faults.map(({ line: number, text: cells, why }) => (
                    <Words key={number} role="listitem" kind="small">
                      {`Line ${number} (${cells}): ${why}`}
                    </Words>
                  ))}
                </View>
              )}
            </View>
          )}
        </>
      )}
    </Screen>
  );
}
