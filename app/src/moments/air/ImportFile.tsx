import { planGaps, type DateOrder } from '@tembrin/core';
import {
  API_ROOT,
  IMPORT_BYTES,
  importProgressSchema,
  PREVIEW_CHARS,
  problemSchema,
  REQUEST_HEADER,
  type ImportPlan,
  type ImportProgress,
  type Preview,
  type Sensor,
} from '@tembrin/contract';
import { Redirect, router } from 'expo-router';
import { useEffect, useRef, useState } from 'react';
import { View } from 'react-native';
import { unstable_createElement } from 'react-native-web';
import { v7 as uuid } from 'uuid';
import { refreshAir, useAir } from '@/state/air';
import { call, OutOfReach, sentenceOf } from '@/state/api';
import { useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { clockWords, dateWords } from '@/words/dates';
import { humidityWords, temperatureWords } from '@/words/measures';
import { useRouteSensor } from './where';

/** Route: import a logger's file: look at it, match its columns, bring it in. */
export function ImportRoute() {
  const sensor = useRouteSensor();
  const known = useAir((state) => state.air);
  if (!known) return null;
  return sensor ? <ImportFile key={sensor.id} sensor={sensor} /> : <Redirect href="/air/hygrometers" />;
}

const ORDERS: readonly { value: DateOrder; title: string }[] = [
  { value: 'ymd', title: 'Year, month, day' },
  { value: 'dmy', title: 'Day, month, year' },
  { value: 'mdy', title: 'Month, day, year' },
  { value: 'iso', title: 'With its time zone' },
  { value: 'epoch', title: 'Seconds since 1970' },
];
const NONE = -1;
const MEGABYTE = 1_000_000;

type Guess = Preview['guess'];

/** A guess in which nothing has to be asked any more. */
function planOf(guess: Guess): ImportPlan | null {
  const { date, rh, order, tempUnit, rhUnit, clock, temp, skip, delimiter } = guess;
  if (date === null || rh === null || order === null || rhUnit === null) return null;
  if (temp !== null && tempUnit === null) return null;
  return { delimiter, skip, date, clock, rh, temp, order, tempUnit: tempUnit ?? 'C', rhUnit };
}

function ImportFile({ sensor }: { sensor: Sensor }) {
  const input = useRef<HTMLInputElement | null>(null);
  const [file, setFile] = useState<{ file: File; text: string } | null>(null);
  const [preview, setPreview] = useState<Preview | null>(null);
  const [guess, setGuess] = useState<Guess | null>(null);
  const [problem, setProblem] = useState<string | null>(null);
  const [progress, setProgress] = useState<ImportProgress | null>(null);
  const running = useRef<{ id: string; stop: AbortController } | null>(null);
  useEffect(() => () => running.current?.stop.abort(), []);

  const look = async (text: string, plan: ImportPlan | null) => {
    setProblem(null);
    try {
      const answer = await call('previewImport', { params: { id: sensor.id }, body: { text, plan } });
      setPreview(answer);
      setGuess(answer.guess);
    } catch (error) {
      setPreview(null);
      setProblem(sentenceOf(error));
    }
  };
  const choose = async (chosen: File) => {
    setPreview(null);
    setGuess(null);
    setProgress(null);
    if (chosen.size > IMPORT_BYTES) {
      setFile(null);
      return setProblem(
        `That file has ${Math.round(chosen.size / MEGABYTE)} MB; an import takes ${IMPORT_BYTES / MEGABYTE} MB. Export a shorter stretch from the logger.`,
      );
    }
    const text = await textOf(chosen.slice(0, PREVIEW_CHARS));
    setFile({ file: chosen, text });
    await look(text, null);
  };
  const change = (more: Partial<Guess>) => {
    const next = { ...guess!, ...more };
    setGuess(next);
    const plan = planOf(next);
    if (plan && file) void look(file.text, plan);
  };
  const plan = guess && planOf(guess);

  const bring = async () => {
    if (!plan || !file) return;
    const stop = new AbortController();
    const id = uuid();
    running.current = { id, stop };
    setProblem(null);
    setProgress({
      state: 'running',
      lines: 0,
      bytes: 0,
      total: file.file.size,
      intake: { stored: 0, known: 0, corrected: 0 },
      unreadable: 0,
      examples: [],
      problem: null,
    });
    const asking = setInterval(() => {
      call('readImport', { params: { importId: id } })
        .then((now) => running.current?.id === id && setProgress(now))
        .catch(() => undefined);
    }, 500);
    try {
      setProgress(await send(sensor.id, id, plan, file.file, stop.signal));
      await refreshAir(true);
    } catch (error) {
      setProgress(null);
      setProblem(stop.signal.aborted ? 'The import was stopped. Nothing of it was kept.' : sentenceOf(error));
    } finally {
      clearInterval(asking);
      running.current = null;
    }
  };

  const done = progress?.state === 'done';
  return (
    <Screen
      title="Import a file"
      back={{ pathname: '/air/hygrometers/[sensor]', params: { sensor: sensor.id } }}
      foot={
        progress?.state === 'running' ? (
          <Button rank="outline" title="Stop the import" onPress={() => running.current?.stop.abort()} />
        ) : done ? (
          <Button
            title="Look at the air"
            onPress={() => router.replace({ pathname: '/air/[place]', params: { place: sensor.placeId } })}
          />
        ) : (
          <Button
            title={preview && plan ? 'Import it' : 'Choose a file'}
            onPress={() => (preview && plan ? void bring() : input.current?.click())}
          />
        )
      }
    >
      <Words tone="quiet">{`For ${sensor.name}. A CSV file as its logger exports it; times are read in the household’s time zone.`}</Words>
      {unstable_createElement('input', {
        ref: input,
        type: 'file',
        accept: '.csv,.txt,.tsv,text/csv,text/plain',
        'aria-label': 'The logger’s file',
        onChange: ({ target }: { target: HTMLInputElement }) => {
          const chosen = target.files?.[0];
          if (chosen) void choose(chosen);
        },
        tabIndex: -1,
        style: OUT_OF_SIGHT,
      })}
      {file && !progress && (
        <View style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.half }}>
          <Words kind="strong" style={{ flex: 1 }}>
            {`${file.file.name}, ${sizeWords(file.file.size)}`}
          </Words>
          {preview && plan && <Button rank="plain" title="Choose another" onPress={() => input.current?.click()} />}
        </View>
      )}
      {problem !== null && <Banner tone="now" text={problem} />}
      {progress && <Progress progress={progress} />}
      {guess && preview && !progress && (
        <>
          <Columns guess={guess} columns={preview.columns} onChange={change} />
          <Lines preview={preview} guess={guess} />
        </>
      )}
    </Screen>
  );
}

/** Opened by a button of the app's own; still there for whoever reads the page by its labels. */
const OUT_OF_SIGHT = { position: 'absolute', width: 1, height: 1, opacity: 0, pointerEvents: 'none' } as const;

const sizeWords = (bytes: number) =>
  bytes < MEGABYTE ? `${Math.max(1, Math.round(bytes / 1000))} kB` : `${(bytes / MEGABYTE).toFixed(1)} MB`;

/** The beginning of a file as text, in UTF-8 or, where it begins with its mark, UTF-16. */
async function textOf(part: Blob): Promise<string> {
  const bytes = new Uint8Array(await part.arrayBuffer());
  const name =
    bytes[0] === 0xff && bytes[1] === 0xfe ? 'utf-16le' : bytes[0] === 0xfe && bytes[1] === 0xff ? 'utf-16be' : 'utf-8';
  return new TextDecoder(name).decode(bytes).slice(0, PREVIEW_CHARS);
}

async function send(sensorId: string, importId: string, plan: ImportPlan, file: File, signal: AbortSignal) {
  const query = new URLSearchParams({ plan: JSON.stringify(plan) });
  const response = await fetch(`${API_ROOT}/sensors/${sensorId}/imports/${importId}?${query}`, {
    method: 'POST',
    credentials: 'same-origin',
    headers: { [REQUEST_HEADER]: '1', 'Content-Type': 'text/csv' },
    body: file,
    signal,
  }).catch(() => {
    throw new OutOfReach();
  });
  const body: unknown = await response.json().catch(() => null);
  if (response.ok) return importProgressSchema.parse(body);
  const refused = problemSchema.safeParse(body);
  throw refused.success ? Object.assign(new OutOfReach(), { message: refused.data.detail }) : new OutOfReach();
}

function Columns({
  guess,
  columns,
  onChange,
}: {
  guess: Guess;
  columns: readonly string[];
  onChange: (more: Partial<Guess>) => void;
}) {
  const options = columns.map((title, value) => ({ value, title }));
  const orNone = [...options, { value: NONE, title: 'None' }];
  const gaps = planGaps(guess);
  const asked = gaps.length > 0;
  const date = (
    <>
      <Choice label="Date" options={options} value={guess.date} onChange={(at) => onChange({ date: at })} />
      <Choice
        label="Order of the date"
        options={ORDERS}
        value={guess.order}
        onChange={(order) => onChange({ order })}
      />
    </>
  );
  return (
    <View style={{ gap: GAP.more }}>
      {asked && (
        <Banner
          tone="soon"
          text={
            gaps.includes('order')
              ? 'The dates can be read both ways. Say which number is the day.'
              : 'Not everything could be told from the file. Say what is missing below.'
          }
        />
      )}
      {gaps.includes('order') && date}
      <Choice
        label="Humidity"
        options={options}
        value={guess.rh}
        onChange={(rh) => onChange({ rh, rhUnit: guess.rhUnit ?? 'percent' })}
      />
      <Choice
        label="Temperature"
        options={orNone}
        value={guess.temp ?? NONE}
        onChange={(temp) => onChange({ temp: temp === NONE ? null : temp })}
      />
      {guess.temp !== null && (
        <Choice
          label="Its unit"
          options={[
            { value: 'C' as const, title: '°C' },
            { value: 'F' as const, title: '°F' },
          ]}
          value={guess.tempUnit}
          onChange={(tempUnit) => onChange({ tempUnit })}
        />
      )}
      {!gaps.includes('order') && date}
      {guess.clock !== null && (
        <Choice label="Time of day" options={options} value={guess.clock} onChange={(clock) => onChange({ clock })} />
      )}
      <Choice
        label="Humidity is given"
        options={[
          { value: 'percent' as const, title: 'in percent, like 45' },
          { value: 'fraction' as const, title: 'as a fraction, like 0.45' },
        ]}
        value={guess.rhUnit}
        onChange={(rhUnit) => onChange({ rhUnit })}
      />
    </View>
  );
}

function Lines({ preview, guess }: { preview: Preview; guess: Guess }) {
  const { line: hair } = usePalette();
  const { timeZone } = useHousehold((state) => state.household)!;
  const temperatures = useLook((state) => state.temperatures);
  const read = preview.readable + preview.unreadable > 0;
  return (
    <View style={{ gap: GAP.small }}>
      <Words kind="heading" level={2}>
        {read ? 'So it would be read' : 'Its first lines'}
      </Words>
      {read && (
        <Words kind="small" tone="quiet">
          {`${preview.readable} of the first ${preview.readable + preview.unreadable} lines can be read.`}
        </Words>
      )}
      <View role="table" aria-label="The first lines">
        {preview.lines.map(({ line, cells, at, percent, tempC, fault }) => (
          <View key={line} role="row" style={{ borderTopWidth: 1, borderTopColor: hair, paddingVertical: 6, gap: 2 }}>
            {at !== null && percent !== null ? (
              <View style={{ flexDirection: 'row', gap: GAP.half }}>
                <Words role="cell" kind="table" style={{ flex: 3 }}>
                  {`${dateWords(Date.parse(at), 0, timeZone)}, ${clockWords(Date.parse(at), timeZone)}`}
                </Words>
                <Words role="cell" kind="table" style={{ flex: 1, textAlign: 'right' }}>
                  {humidityWords(percent / 100, 1)}
                </Words>
                <Words role="cell" kind="table" style={{ flex: 1, textAlign: 'right' }}>
                  {tempC === null ? '–' : temperatureWords(tempC, temperatures)}
                </Words>
              </View>
            ) : (
              <>
                <Words role="cell" kind="small">
                  {`Line ${line}: ${cells.join(guess.delimiter === '\t' ? '  ' : `${guess.delimiter} `)}`}
                </Words>
                {fault !== null && (
                  <Words role="cell" kind="small" tone="now">
                    {fault}
                  </Words>
                )}
              </>
            )}
          </View>
        ))}
      </View>
    </View>
  );
}

function Progress({ progress }: { progress: ImportProgress }) {
  const { accent, line } = usePalette();
  const { state, bytes, total, lines, intake, unreadable, examples } = progress;
  const share = total ? Math.min(1, bytes / total) : 0;
  return (
    <View style={{ gap: GAP.one }}>
      {state === 'running' && (
        <View style={{ gap: GAP.small }}>
          <Words kind="title" level={2}>
            {`${lines.toLocaleString('en-GB')} lines`}
          </Words>
          <View
            role="progressbar"
            aria-label="The import"
            aria-valuemin={0}
            aria-valuemax={100}
            aria-valuenow={Math.round(share * 100)}
            style={{ height: 6, backgroundColor: line }}
          >
            <View style={{ height: 6, width: `${share * 100}%`, backgroundColor: accent }} />
          </View>
          <Words kind="small" tone="quiet">
            Nothing is kept until all of it is in.
          </Words>
        </View>
      )}
      {state === 'done' && (
        <>
          <Words kind="title" level={2}>
            {intake.stored === 0 && intake.corrected === 0 ? 'All of it was known already' : 'It is all in'}
          </Words>
          <Figures
            rows={[
              ['New readings', intake.stored.toLocaleString('en-GB')],
              ['Known already', intake.known.toLocaleString('en-GB')],
              ['Changed', intake.corrected.toLocaleString('en-GB')],
              ['Lines left out', unreadable.toLocaleString('en-GB')],
            ]}
          />
          {examples.map(({ line: at, text, fault }) => (
            <Words key={at} kind="small">{`Line ${at}, “${text}”: ${fault}`}</Words>
          ))}
        </>
      )}
    </View>
  );
}
