import type { DiaryFilePlan, DiaryPreview, QueryInputOf } from '@tembrin/contract';
import { DIARY_BYTES } from '@tembrin/contract/intake';
import { router } from 'expo-router';
import { call } from '@/state/api';
import { useHousehold } from '@/state/household';
import { look as refreshLog } from '@/state/log';
import { notify } from '@/state/notice';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { dateWords, minutesWords } from '@/copy/dates';
import { CALENDAR_ORDER_TITLES, DIARY_COPY, INTAKE_COPY } from '@/copy/intake';
import { optionsOf } from '@/copy/lists';
import { useMoment } from '../air/where';
import { useFileInput } from '../files/files';
import { FirstLines } from '../files/FirstLines';
import { useIntake } from '../files/intake';
import { IntakeHead } from '../files/IntakeHead';
import { Stack } from '@/ui/layout';

const NO_COLUMN = -1;

type Guess = DiaryPreview['guess'];
interface Choices {
  /** Whose the whole diary is, where no column says; null while nobody said. */
  whose: string | null;
  onRecord: QueryInputOf<'importDiary'>['onRecord'];
}

/** A guess in which nothing has to be asked any more. */
function planOf(guess: Guess): DiaryFilePlan | null {
  const { date, order, length, unit } = guess;
  if (date === null || order === null || length === null || unit === null) return null;
  return { ...guess, date, order, length, unit };
}

const queryOf = ({ whose, onRecord }: Choices) => ({ onRecord, instrumentId: whose ?? undefined });

function useDiaryIntake() {
  const { instruments } = useHousehold((state) => state.household)!;
  return useIntake<Guess, DiaryPreview, Choices>(
    {
      mostBytes: DIARY_BYTES,
      planOf,
      sampled: false,
      preview: (file, plan, choices) => call('previewDiary', { query: { plan, ...queryOf(choices) }, file }),
      bring: (importId, file, plan, choices, signal) =>
        call('importDiary', {
          params: { importId },
          query: { plan, leaveFaulty: 'true', ...queryOf(choices) },
          file,
          signal,
        }),
      onDone: async ({ intake }) => {
        await refreshLog();
        notify(DIARY_COPY.brought(intake));
        router.replace('/kit');
      },
    },
    { whose: instruments.length === 1 ? instruments[0]!.id : null, onRecord: 'leave' },
  );
}

/** A practice diary out of a spreadsheet: columns matched, faults shown line by line, then all of it or nothing. */
export function Diary() {
  const { file, preview, guess, plan, choices, problem, busy, progress, choose, change, decide, bring, stop } =
    useDiaryIntake();
  const input = useFileInput(DIARY_COPY.title, '.csv,.tsv,.txt,text/csv', (chosen) => void choose(chosen));
  const needsWhose = guess?.instrument === null && choices.whose === null;
  const ready = preview !== null && plan !== null && !needsWhose && (preview.readable > 0 || preview.cut);
  const bringTitle = !preview
    ? INTAKE_COPY.choose
    : ready
      ? DIARY_COPY.bring(preview.readable, preview.cut)
      : needsWhose
        ? DIARY_COPY.needsWhose
        : plan
          ? DIARY_COPY.nothingNew
          : DIARY_COPY.unanswered;
  return (
    <Screen
      title={DIARY_COPY.title}
      back="/year/records"
      foot={
        progress?.state === 'running' ? (
          <Button rank="outline" title={INTAKE_COPY.stop} onPress={() => void stop()} />
        ) : (
          <Button
            title={bringTitle}
            busy={busy}
            disabled={preview !== null && !ready}
            onPress={() => (ready ? void bring() : input.open())}
          />
        )
      }
    >
      <IntakeHead
        about={DIARY_COPY.about}
        file={file}
        problem={problem}
        progress={progress}
        onAnother={preview ? input.open : null}
      />
      {input.element}
      {preview && guess && !progress && (
        <>
          <Columns guess={guess} columns={preview.columns} choices={choices} onChange={change} onDecide={decide} />
          <Sessions preview={preview} delimiter={guess.delimiter} read={plan !== null && !needsWhose} />
        </>
      )}
    </Screen>
  );
}

interface ColumnsProps {
  guess: Guess;
  columns: readonly string[];
  choices: Choices;
  onChange: (more: Partial<Guess>) => void;
  onDecide: (more: Partial<Choices>) => void;
}

function Columns({ guess, columns, choices, onChange, onDecide }: ColumnsProps) {
  const { instruments } = useHousehold((state) => state.household)!;
  const copy = DIARY_COPY.columns;
  const options = columns.map((title, value) => ({ value, title }));
  return (
    <Stack gap="one">
      <Choice label={copy.date} options={options} value={guess.date} onChange={(date) => onChange({ date })} />
      <Choice
        label={copy.order}
        hint={guess.order === null ? DIARY_COPY.orderAsked : undefined}
        options={optionsOf(CALENDAR_ORDER_TITLES)}
        value={guess.order}
        onChange={(order) => onChange({ order })}
      />
      <Choice label={copy.length} options={options} value={guess.length} onChange={(length) => onChange({ length })} />
      <Choice
        label={copy.unit}
        hint={guess.unit === null ? DIARY_COPY.unitAsked : undefined}
        options={optionsOf(DIARY_COPY.units)}
        value={guess.unit}
        onChange={(unit) => onChange({ unit })}
      />
      <Choice
        label={copy.instrument}
        options={[...options, { value: NO_COLUMN, title: copy.none }]}
        value={guess.instrument ?? NO_COLUMN}
        onChange={(instrument) => onChange({ instrument: instrument === NO_COLUMN ? null : instrument })}
      />
      {guess.instrument === null && (
        <Choice
          label={copy.whose}
          options={instruments.map(({ id, name }) => ({ value: id, title: name }))}
          value={choices.whose}
          onChange={(whose) => onDecide({ whose })}
        />
      )}
      <Choice
        label={copy.onRecord}
        options={optionsOf(DIARY_COPY.onRecord)}
        value={choices.onRecord}
        onChange={(onRecord) => onDecide({ onRecord })}
      />
    </Stack>
  );
}

interface SessionsProps {
  preview: DiaryPreview;
  delimiter: string;
  /** Whether nothing has to be asked any more. */
  read: boolean;
}

function Sessions({ preview, delimiter, read }: SessionsProps) {
  const { instruments } = useHousehold((state) => state.household)!;
  const { nowMs, timeZone } = useMoment();
  const { readable, unreadable, minutes, left, cut, lines } = preview;
  const names = new Map(instruments.map(({ id, name }) => [id, name]));
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {read ? DIARY_COPY.sum(readable, minutes, cut) : INTAKE_COPY.heading(false)}
      </Text>
      {read && left > 0 && (
        <Text kind="small" tone="quiet">
          {DIARY_COPY.left(left)}
        </Text>
      )}
      {read && unreadable > 0 && (
        <Text kind="smallStrong" tone="now">
          {DIARY_COPY.faulty(unreadable)}
        </Text>
      )}
      <FirstLines
        title={INTAKE_COPY.firstLines}
        lines={read ? lines : lines.map((line) => ({ ...line, read: null, fault: null }))}
        delimiter={delimiter}
        words={(entry) => [
          names.get(entry.instrumentId) ?? '',
          dateWords(Date.parse(`${entry.date}T12:00:00Z`), nowMs, timeZone),
          minutesWords(entry.minutes),
        ]}
      />
    </Stack>
  );
}
