import type { Instrument } from '@tembrin/contract';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useCards } from '@/state/cards';
import { act } from '@/state/actions';
import { useHearing } from '@/state/listening';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/assessments';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { CentsDial } from '@/ui/CentsDial';
import { Choice } from '@/ui/Choice';
import { CreepChart } from '@/ui/CreepChart';
import { useKeys } from '@/ui/keys';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { clockWords, dayWords, lastingWords } from '@/copy/dates';
import { centsWords, noteNames } from '@/copy/strings';
import { ofInstrument } from '../kit/for-instrument';
import { DAY_MS, HOUR_MS } from '@tembrin/core/time';
import { heardString, steadyCents, type Heard } from '@tembrin/core/sound';
import { nextPerformance } from '@tembrin/core/year';
import { noteName } from '@tembrin/core/pitch';
import { openStrings, settlingPlan, temperamentOf } from '@tembrin/core/strings';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/strings/settle';

const NEAREST = -1;
/** Strings newer than this are shown as settling even where their material is not known. */
const NEW_DAYS = 30;

/** Tunes by ear of the microphone, against this instrument’s own A and temperament, and learns how new strings settle. */
function SettleScreen({ instrument }: { instrument: Instrument }) {
  const household = useHousehold((state) => state.household)!;
  const { log, on } = useStrings(instrument);

  const occasions = useCards('occasion').map(({ facts }) => facts);
  const strings = openStrings(instrument);
  const names = noteNames(instrument);
  const { nowMs, timeZone } = log;
  const settling = on.flatMap(({ position, spec, fitting }) => {
    if (!fitting?.known || nowMs - fitting.at > NEW_DAYS * DAY_MS) return [];
    const tunings = log.tunings.filter(({ string, at }) => string === position && at >= fitting.at);
    return [{ position, fitting, tunings, plan: settlingPlan(spec, fitting.at, tunings, nowMs) }];
  });
  const open = settling.filter(({ plan }) => !plan.settled);
  const [chosen, setChosen] = useState<number>(open.length === 1 ? open[0]!.position : NEAREST);
  const [heard, setHeard] = useState<Heard | null>(null);
  const recent = useRef<Heard[]>([]);
  /** The string last heard for certain: its settling is shown. */
  const [looked, setLooked] = useState<number | null>(null);
  const [steady, setSteady] = useState<{ position: number; cents: number } | null>(null);
  const { ear, start, stop } = useHearing((found) => {
    const now = heardString(
      found,
      strings.map(({ hz }) => hz),
      chosen === NEAREST ? null : chosen,
    );
    setHeard(now);
    if (!now) return;
    recent.current = [...recent.current.slice(-9), now];
    const cents = steadyCents(recent.current);
    if (cents !== null) {
      setSteady({ position: now.position, cents });
      setLooked(now.position);
    }
  });
  const shown = chosen === NEAREST ? (looked ?? open[0]?.position ?? null) : chosen;
  const detail = settling.find(({ position }) => position === shown) ?? null;
  const performance = nextPerformance(occasions, instrument.id, nowMs, timeZone);
  const warned = performance && open.filter(({ plan }) => plan.settledAt > performance.atMs);

  const write = async () => {
    if (!steady) return;
    const cents = Math.round(steady.cents * 10) / 10;
    setSteady(null);
    recent.current = [];
    await act(
      instrument.id,
      [{ type: 'tuned', payload: { string: steady.position, cents } }],
      copy.foundNowBringIt(names[steady.position], cents),
    );
  };
  const simulate = () => {
    const position = shown ?? strings.length - 1;
    const fallen = settling.find((each) => each.position === position)?.plan.fallenCents ?? 0;
    void start({ simulatedHz: strings[position]!.hz * Math.pow(2, -Math.max(4, fallen) / 1200) });
  };
  useKeys({
    m: {
      label: ear === 'on' ? 'Stop listening' : 'Listen',
      run: () => (ear === 'on' ? stop() : void start('microphone')),
    },
  });
  const listening = ear === 'on';
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
      {warned && warned.length > 0 && (
        <Banner
          tone="soon"
          text={copy.theWillNotHave({
            title: performance.title,
            atMs: performance.atMs,
            nowMs,
            timeZone,
            warned: warned.map(({ position }) => names[position]).join(', '),
          })}
        />
      )}
      {ear === 'refused' && <Banner tone="now" text={copy.theBrowserDoesNot} />}
      {ear === 'missing' && <Banner tone="now" text={copy.noMicrophoneAnswersHere} />}
      {listening && (
        <Stack role="status" gap="hair" align="center">
          <CentsDial cents={heard?.cents ?? null} />
          <Text kind="figure">{heard ? `${heard.cents < 0 ? '−' : '+'}${Math.abs(heard.cents).toFixed(0)}` : '–'}</Text>
          <Text>
            {heard
              ? copy.centsOnTheOf(names[heard.position], heard.hz, strings[heard.position]!.hz)
              : copy.listeningForOneOpen}
          </Text>
        </Stack>
      )}
      {strings.length <= 12 && (
        <Choice
          label="Listen for"
          options={[
            { value: NEAREST, title: 'Whichever sounds' },
            ...[...strings].reverse().map(({ position, note }) => ({ value: position, title: noteName(note) })),
          ]}
          value={chosen}
          onChange={(value) => {
            setChosen(value);
            recent.current = [];
            setSteady(null);
          }}
        />
      )}
      {detail && (
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
      )}
      {open.length > 0 && (
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
      )}
      {settling.length === 0 && <Text tone="quiet">{copy.noStringHasGone}</Text>}
    </Screen>
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
