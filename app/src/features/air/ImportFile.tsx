import type { LoggerPlan, LoggerPreview, Sensor } from '@tembrin/contract';
import { FILE_BYTES } from '@tembrin/contract/intake';
import { Redirect, router } from 'expo-router';
import { refreshAir, useAir } from '@/state/air';
import { call } from '@/state/api';
import { useHousehold } from '@/state/household';
import { usePreferences } from '@/state/preferences';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { clockWords, dateWords } from '@/copy/dates';
import { DATE_ORDER_TITLES, INTAKE_COPY, LOGGER_COPY, loggerOutcome } from '@/copy/intake';
import { optionsOf } from '@/copy/lists';
import { humidityWords, temperatureWords } from '@/copy/measures';
import { courseWords, oddWords, understoodWords } from '@/copy/understood';
import { useFileInput } from '../files/files';
import { FirstLines } from '../files/FirstLines';
import { useIntake } from '../files/intake';
import { IntakeHead } from '../files/IntakeHead';
import { useRouteSensor } from './where';
import { planGaps } from '@tembrin/core/air';
import { Stack } from '@/ui/layout';

/** Route: import a logger's file: look at it, match its columns, bring it in. */
export function ImportRoute() {
  const sensor = useRouteSensor();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return sensor ? <ImportFile key={sensor.id} sensor={sensor} /> : <Redirect href="/air/hygrometers" />;
}

const NONE = -1;

type Guess = LoggerPreview['guess'];

/** A guess in which nothing has to be asked any more. */
function planOf(guess: Guess): LoggerPlan | null {
  const { date, rh, order, tempUnit, rhUnit, clock, temp, skip, delimiter } = guess;
  if (date === null || rh === null || order === null || rhUnit === null) return null;
  if (temp !== null && tempUnit === null) return null;
  return { delimiter, skip, date, clock, rh, temp, order, tempUnit: tempUnit ?? 'C', rhUnit };
}

function useLoggerIntake({ id }: Sensor) {
  return useIntake(
    {
      mostBytes: FILE_BYTES,
      sampled: true,
      planOf,
      preview: (file, plan, _choices, samples) =>
        call('previewImport', { params: { id }, query: { plan, ...samples }, file }),
      bring: (importId, file, plan, _choices, signal) =>
        call('importFile', { params: { id, importId }, query: { plan }, file, signal }),
      onDone: () => refreshAir(true),
    },
    {},
  );
}

function ImportFile({ sensor }: { sensor: Sensor }) {
  const { file, preview, guess, problem, busy, progress, choose, change, bring, stop } = useLoggerIntake(sensor);
  const input = useFileInput(LOGGER_COPY.file, '.csv,.txt,.tsv,text/csv,text/plain', (chosen) => void choose(chosen));
  const known = guess && planOf(guess);
  const ready = preview !== null && known !== null;
  return (
    <Screen
      title={LOGGER_COPY.title}
      back={{ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } }}
      foot={
        progress?.state === 'running' ? (
          <Button rank="outline" title={INTAKE_COPY.stop} onPress={() => void stop()} />
        ) : progress?.state === 'done' ? (
          <Button
            title={LOGGER_COPY.look}
            onPress={() => router.replace({ pathname: '/air/[place]', params: { place: sensor.placeId } })}
          />
        ) : (
          <Button
            title={ready ? LOGGER_COPY.bring : INTAKE_COPY.choose}
            busy={busy}
            onPress={() => (ready ? void bring() : input.open())}
          />
        )
      }
    >
      <IntakeHead
        about={LOGGER_COPY.about(sensor.name)}
        file={file}
        problem={problem}
        progress={progress}
        onAnother={ready ? input.open : null}
      />
      {input.element}
      {progress?.state === 'done' && (
        <Stack gap="one">
          <Text kind="title" level={2}>
            {loggerOutcome(progress).title}
          </Text>
          <Figures rows={loggerOutcome(progress).rows} />
          {progress.examples.map(({ line, text, fault }) => (
            <Text key={line} kind="small">
              {INTAKE_COPY.example(line, text, fault)}
            </Text>
          ))}
        </Stack>
      )}
      {guess && preview && !progress && (
        <>
          <Columns guess={guess} columns={preview.columns} onChange={change} />
          {known && <Understood preview={preview} plan={known} />}
          <Lines preview={preview} delimiter={guess.delimiter} />
        </>
      )}
    </Screen>
  );
}

interface ColumnsProps {
  guess: Guess;
  columns: readonly string[];
  onChange: (more: Partial<Guess>) => void;
}

function DateColumn({ guess, columns, onChange }: ColumnsProps) {
  const copy = LOGGER_COPY.columns;
  return (
    <>
      <Choice
        label={copy.date}
        options={columns.map((title, value) => ({ value, title }))}
        value={guess.date}
        onChange={(date) => onChange({ date })}
      />
      <Choice
        label={copy.order}
        options={optionsOf(DATE_ORDER_TITLES)}
        value={guess.order}
        onChange={(order) => onChange({ order })}
      />
    </>
  );
}

function Columns({ guess, columns, onChange }: ColumnsProps) {
  const copy = LOGGER_COPY.columns;
  const options = columns.map((title, value) => ({ value, title }));
  const gaps = planGaps(guess);
  const orderAsked = gaps.includes('order');
  const date = <DateColumn guess={guess} columns={columns} onChange={onChange} />;
  return (
    <Stack gap="more">
      {gaps.length > 0 && <Banner tone="soon" text={orderAsked ? INTAKE_COPY.ambiguous : INTAKE_COPY.missing} />}
      {orderAsked && date}
      <Choice
        label={copy.rh}
        options={options}
        value={guess.rh}
        onChange={(rh) => onChange({ rh, rhUnit: guess.rhUnit ?? 'percent' })}
      />
      <Choice
        label={copy.temp}
        options={[...options, { value: NONE, title: copy.none }]}
        value={guess.temp ?? NONE}
        onChange={(temp) => onChange({ temp: temp === NONE ? null : temp })}
      />
      {guess.temp !== null && (
        <Choice
          label={copy.unit}
          options={optionsOf({ C: '°C', F: '°F' })}
          value={guess.tempUnit}
          onChange={(tempUnit) => onChange({ tempUnit })}
        />
      )}
      {!orderAsked && date}
      {guess.clock !== null && (
        <Choice label={copy.clock} options={options} value={guess.clock} onChange={(clock) => onChange({ clock })} />
      )}
      <Choice
        label={copy.rhUnit}
        options={optionsOf(LOGGER_COPY.rhUnits)}
        value={guess.rhUnit}
        onChange={(rhUnit) => onChange({ rhUnit })}
      />
    </Stack>
  );
}

/** How the file is understood, in words, and what is odd about it. */
function Understood({ preview, plan }: { preview: LoggerPreview; plan: LoggerPlan }) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const temperatures = usePreferences((state) => state.temperatures);
  const { course, columns } = preview;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {LOGGER_COPY.understood}
      </Text>
      {understoodWords(plan, columns, timeZone).map((sentence) => (
        <Text key={sentence}>{sentence}</Text>
      ))}
      {course && <Text kind="strong">{courseWords(course, timeZone, temperatures)}</Text>}
      {course?.odd.map((odd) => (
        <Banner key={odd.code} tone="soon" text={oddWords({ ...course, odd: [odd] })[0]!} />
      ))}
    </Stack>
  );
}

function Lines({ preview, delimiter }: { preview: LoggerPreview; delimiter: string }) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const temperatures = usePreferences((state) => state.temperatures);
  const looked = preview.readable + preview.unreadable;
  type Read = NonNullable<LoggerPreview['lines'][number]['read']>;
  const words = ({ at, percent, tempC }: Read) => [
    `${dateWords(Date.parse(at), 0, timeZone)}, ${clockWords(Date.parse(at), timeZone)}`,
    humidityWords(percent / 100, 1),
    tempC === null ? '–' : temperatureWords(tempC, temperatures),
  ];
  const samples = (
    [
      [LOGGER_COPY.middle, preview.middle],
      [LOGGER_COPY.last, preview.last],
    ] as const
  ).flatMap(([title, sample]) => (sample ? [[title, sample] as const] : []));
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {INTAKE_COPY.heading(looked > 0)}
      </Text>
      {looked > 0 && (
        <Text kind="small" tone="quiet">
          {INTAKE_COPY.readable(preview.readable, looked)}
        </Text>
      )}
      <FirstLines title={INTAKE_COPY.firstLines} lines={preview.lines} delimiter={delimiter} words={words} />
      {samples.map(([title, sample]) => (
        <Stack key={title} gap="hair">
          <Text kind="smallStrong">{title}</Text>
          <FirstLines title={title} lines={[{ line: 0, ...sample }]} delimiter={delimiter} words={words} />
        </Stack>
      ))}
    </Stack>
  );
}
