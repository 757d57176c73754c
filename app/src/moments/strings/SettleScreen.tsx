import {
  DAY_MS,
  heardString,
  HOUR_MS,
  nextPerformance,
  noteName,
  openStrings,
  settlingPlan,
  steadyCents,
  temperamentOf,
  type Heard,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { useRef, useState } from 'react';
import { View } from 'react-native';
import { useCards } from '@/state/cards';
import { act } from '@/state/doing';
import { useHearing } from '@/state/hearing';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/strings';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { CentsDial } from '@/ui/CentsDial';
import { Choice } from '@/ui/Choice';
import { CreepChart } from '@/ui/CreepChart';
import { useKeys } from '@/ui/keys';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { clockWords, dateWords, dayWords, lastingWords } from '@/words/dates';
import { centsWords, noteNames } from '@/words/strings';
import { ofInstrument } from '../kit/of-instrument';

const NEAREST = -1;
/** Strings newer than this are shown as settling even where their material is not known. */
const NEW_DAYS = 30;

/** Tunes by ear of the microphone, against this instrument’s own A and temperament, and learns how new strings settle. */
function SettleScreen({ instrument }: { instrument: Instrument }) {
  const household = useHousehold((state) => state.household)!;
  const { log, on } = useStrings(instrument);
  const { line } = usePalette();
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
      `${names[steady.position]} found ${centsWords(cents)}. Now bring it to pitch.`,
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
      title="Tune and settle"
      back={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
      foot={
        listening ? (
          <>
            <Button
              title={
                steady ? `Write down: ${names[steady.position]} ${centsWords(steady.cents)}` : 'Play one open string'
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
              <Button rank="plain" title="Use a simulated string" onPress={simulate} />
            )}
          </>
        )
      }
    >
      <Words kind="small" tone="quiet">
        {`${instrument.name}. Against A = ${instrument.stringing.a4Hz} Hz, ${temperamentOf(instrument) === 'fifths' ? 'in pure fifths' : 'equal temperament'}. Nothing you play is kept; only the cents you write down.`}
      </Words>
      {warned && warned.length > 0 && (
        <Banner
          tone="soon"
          text={`${performance.title}, ${dayWords(performance.atMs, nowMs, timeZone)}: the ${warned.map(({ position }) => names[position]).join(', ')} will not have settled by then. Tune as often as below, and once more just before you play.`}
        />
      )}
      {ear === 'refused' && (
        <Banner
          tone="now"
          text="The browser does not let Tembrin listen. Allow the microphone for this page in its address bar, then try again."
        />
      )}
      {ear === 'missing' && (
        <Banner
          tone="now"
          text="No microphone answers here. Plug one in, or open Tembrin over https or on this very device."
        />
      )}
      {listening && (
        <View role="status" style={{ alignItems: 'center', gap: GAP.hair }}>
          <CentsDial cents={heard?.cents ?? null} />
          <Words kind="figure">
            {heard ? `${heard.cents < 0 ? '−' : '+'}${Math.abs(heard.cents).toFixed(0)}` : '–'}
          </Words>
          <Words>
            {heard
              ? `cents on the ${names[heard.position]}; ${heard.hz.toFixed(1)} of ${strings[heard.position]!.hz.toFixed(1)} Hz`
              : 'listening for one open string'}
          </Words>
        </View>
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
        <View style={{ gap: GAP.small }}>
          <Words kind="heading" level={2}>
            {`${names[detail.position]}: ${detail.plan.settled ? 'settled' : `${lastingWords(Math.max(HOUR_MS, detail.plan.settledAt - nowMs))} to go`}`}
          </Words>
          <CreepChart
            creep={detail.plan.creep}
            fittedAt={detail.fitting.at}
            tunings={detail.tunings}
            settledAt={detail.plan.settledAt}
            nowMs={nowMs}
          />
          <Words kind="small" tone="quiet">
            {detail.tunings.length === 0
              ? 'As strings of its kind usually give way (from memory). Each tuning you write down makes the curve its own.'
              : `All it has fallen since it went on: rings are your ${detail.tunings.length} ${detail.tunings.length === 1 ? 'tuning' : 'tunings'}, the line is fitted to them.`}
          </Words>
        </View>
      )}
      {open.length > 0 && (
        <View>
          <Words kind="heading" level={2}>
            When to tune again
          </Words>
          <View role="list" aria-label="When to tune again">
            {open.map(({ position, plan }) => (
              <View
                role="listitem"
                key={position}
                style={{ borderBottomWidth: 1, borderBottomColor: line, paddingVertical: GAP.small, gap: 2 }}
              >
                <Words kind="strong">{names[position]}</Words>
                <Words kind="small">{retuneWords(plan.retunes, nowMs, timeZone)}</Words>
                <Words kind="small" tone="quiet">
                  {`Falls about ${Math.round(plan.perDay[0] ?? 0)} cents in the coming day; holds from ${dateWords(plan.settledAt, nowMs, timeZone)}.`}
                </Words>
              </View>
            ))}
          </View>
        </View>
      )}
      {settling.length === 0 && (
        <Words tone="quiet">
          No string has gone on lately, so there is nothing to settle. Tune as you like; nothing needs writing down.
        </Words>
      )}
    </Screen>
  );
}

function retuneWords(retunes: readonly number[], nowMs: number, timeZone: string): string {
  if (retunes.length === 0) return 'Each time you take it up.';
  const soon = retunes.filter((at) => at < nowMs + DAY_MS);
  if (soon.length > 3) return `About every ${lastingWords(DAY_MS / soon.length)} today, then less and less.`;
  const at = (ms: number) =>
    ms <= nowMs + 60_000 ? 'now' : `${dayWords(ms, nowMs, timeZone)} ${clockWords(ms, timeZone)}`;
  const words = retunes.slice(0, 4).map(at).join(', ');
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}${retunes.length > 4 ? ' …' : '.'}`;
}

export const SettleRoute = ofInstrument(SettleScreen);
