import { fixed } from '@/copy/numbers';
import type { Instrument } from '@tembrin/contract';
import { View } from 'react-native';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { CreepChart } from '@/ui/CreepChart';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Unison } from '@/ui/Unison';
import { clockWords, dayWords, lastingWords } from '@/copy/dates';
import { centsWords } from '@/copy/strings';
import { ofInstrument } from '../kit/for-instrument';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';
import { type Heard } from '@tembrin/core/sound';
import { noteName } from '@tembrin/core/pitch';
import { temperamentOf } from '@tembrin/core/strings';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/strings/settle';
import { useSettling, NEAREST, type SettlingModel } from './use-settling';

/** Tunes by ear of the microphone, against this instrument’s own A and temperament, and learns how new strings settle. */
function SettleScreen({ instrument }: { instrument: Instrument }) {
  const model = useSettling(instrument);
  const {
    household,
    strings,
    names,
    settling,
    chosen,
    steady,
    ear,
    start,
    stop,
    write,
    listenFor,
    simulate,
    listening,
  } = model;
  return (
    <Screen
      title={copy.tuneAndSettle}
      back={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
      foot={
        listening ? (
          <>
            <Button
              title={
                steady ? `Write down: ${names[steady.position]} ${centsWords(steady.cents)}` : copy.playOneOpenString
              }
              disabled={!steady}
              onPress={() => void write()}
            />
            <Button rank="plain" title="Stop listening" hotkey="m" onPress={stop} />
          </>
        ) : (
          <>
            <Button title="Listen" busy={ear === 'asking'} hotkey="m" onPress={() => void start('microphone')} />
            {(household.demo || ear === 'missing') && (
              <Button rank="plain" title={copy.useASimulatedString} onPress={simulate} />
            )}
          </>
        )
      }
    >
      <Text kind="small" tone="quiet">
        {copy.againstAHzNothing(instrument.name, instrument.stringing.a4Hz, temperamentOf(instrument))}
      </Text>
      <Notices model={model} />
      <Heard model={model} />
      {strings.length <= 12 && (
        <Choice
          label="Listen for"
          options={[
            { value: NEAREST, title: 'Whichever sounds' },
            ...[...strings].reverse().map(({ position, note }) => ({ value: position, title: noteName(note) })),
          ]}
          value={chosen}
          onChange={listenFor}
        />
      )}
      <Curve model={model} />
      <Retunes model={model} />
      {settling.length === 0 && <Text tone="quiet">{copy.noStringHasGone}</Text>}
    </Screen>
  );
}

function Notices({ model }: { model: SettlingModel }) {
  const { warning, nowMs, timeZone, ear } = model;
  return (
    <>
      {warning && (
        <Banner
          tone="soon"
          text={copy.theWillNotHave({
            title: warning.title,
            atMs: warning.atMs,
            nowMs,
            timeZone,
            warned: warning.strings,
          })}
        />
      )}
      {ear === 'refused' && <Banner tone="now" text={copy.theBrowserDoesNot} />}
      {ear === 'missing' && <Banner tone="now" text={copy.noMicrophoneAnswersHere} />}
    </>
  );
}

/** What is heard just now. */
function Heard({ model }: { model: SettlingModel }) {
  const { listening, heard, drowned, names, strings } = model;
  if (!listening) return null;
  return (
    <Stack role="status" gap="hair" align="center">
      <Unison heard={heard && { cents: heard.cents, hz: heard.hz, wantedHz: strings[heard.position]!.hz }} />
      <Text kind="figure">{heard ? `${heard.cents < 0 ? '−' : '+'}${fixed(Math.abs(heard.cents), 0)}` : '–'}</Text>
      <Text middle>
        {heard
          ? copy.centsOnTheOf(names[heard.position], heard.hz, strings[heard.position]!.hz)
          : drowned
            ? copy.theMainsHumDrowns
            : copy.listeningForOneOpen}
      </Text>
    </Stack>
  );
}

/** How the string in hand settles. */
function Curve({ model }: { model: SettlingModel }) {
  const { detail, names, nowMs } = model;
  if (!detail) return null;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {`${names[detail.position]}: ${detail.plan.settled ? 'settled' : `${lastingWords(Math.max(HOUR_MS, detail.plan.settledAt - nowMs))} to go`}`}
      </Text>
      <CreepChart
        creep={detail.plan.creep}
        fittedAt={detail.fitting.at}
        tunings={detail.tunings}
        settledAt={detail.plan.settledAt}
        nowMs={nowMs}
      />
      <Text kind="small" tone="quiet">
        {detail.tunings.length === 0 ? copy.asStringsOfIts : copy.allItHasFallen(detail.tunings.length)}
      </Text>
    </Stack>
  );
}

function Retunes({ model }: { model: SettlingModel }) {
  const { open, names, nowMs, timeZone } = model;
  if (!(open.length > 0)) return null;
  return (
    <View>
      <Text kind="heading" level={2}>
        {copy.whenToTuneAgain}
      </Text>
      <View role="list" aria-label={copy.whenToTuneAgain}>
        {open.map(({ position, plan }) => (
          <Stack role="listitem" key={position} padY="small" gap={2} rule="bottom">
            <Text kind="strong">{names[position]}</Text>
            <Text kind="small">{retuneWords(plan.retunes, nowMs, timeZone)}</Text>
            <Text kind="small" tone="quiet">
              {copy.fallsAboutCentsIn({
                cents: Math.round(plan.perDay[0] ?? 0),
                settledAt: plan.settledAt,
                nowMs,
                timeZone,
              })}
            </Text>
          </Stack>
        ))}
      </View>
    </View>
  );
}

function retuneWords(retunes: readonly number[], nowMs: number, timeZone: string): string {
  if (retunes.length === 0) return copy.eachTimeYouTake;
  const soon = retunes.filter((at) => at < nowMs + DAY_MS);
  if (soon.length > 3) return copy.aboutEveryTodayThen(DAY_MS / soon.length);
  const at = (ms: number) =>
    ms <= nowMs + 60_000 ? 'now' : `${dayWords(ms, nowMs, timeZone)} ${clockWords(ms, timeZone)}`;
  const words = retunes.slice(0, 4).map(at).join(', ');
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}${retunes.length > 4 ? ' …' : '.'}`;
}

export const SettleRoute = ofInstrument(SettleScreen);
