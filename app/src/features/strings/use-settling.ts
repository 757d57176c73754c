import type { Instrument } from '@tembrin/contract';
import { useRef, useState } from 'react';
import { useCards } from '@/state/cards';
import { act } from '@/state/actions';
import { useHearing } from '@/state/listening';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/assessments';
import { useKeys } from '@/ui/keys';
import { noteNames } from '@/copy/strings';
import { DAY_MS } from '@tembrin/core/time';
import { heardString, steadyCents, type Heard } from '@tembrin/core/sound';
import { nextPerformance } from '@tembrin/core/year';
import { openStrings, settlingPlan } from '@tembrin/core/strings';
import { copy } from '@/copy/screens/strings/settle';

export const NEAREST = -1;

/** Strings newer than this are shown as settling even where their material is not known. */
const NEW_DAYS = 30;

/**
 * The string that sounds just now, and the one that has sounded long enough to be written down.
 * @param strings their pitches, Hz
 * @param listened position of the only string listened for; null: whichever is nearest
 */
function useStringInEar(strings: readonly number[], listened: number | null) {
  const [heard, setHeard] = useState<Heard | null>(null);
  const [drowned, setDrowned] = useState(false);
  const recent = useRef<Heard[]>([]);
  /** The string last heard for certain: its settling is shown. */
  const [looked, setLooked] = useState<number | null>(null);
  const [steady, setSteady] = useState<{ position: number; cents: number } | null>(null);
  const { ear, start, stop } = useHearing((found) => {
    const now = heardString(found, strings, listened);
    setHeard(now);
    setDrowned(found === 'hum');
    if (!now) return;
    recent.current = [...recent.current.slice(-9), now];
    const cents = steadyCents(recent.current);
    if (cents !== null) {
      setSteady({ position: now.position, cents });
      setLooked(now.position);
    }
  });
  const forget = () => {
    recent.current = [];
    setSteady(null);
  };
  return { heard, drowned, steady, looked, ear, start, stop, forget };
}

/** The strings that settle, what the microphone hears, and writing it down. */
export function useSettling(instrument: Instrument) {
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
  const { heard, drowned, steady, looked, ear, start, stop, forget } = useStringInEar(
    strings.map(({ hz }) => hz),
    chosen === NEAREST ? null : chosen,
  );
  const shown = chosen === NEAREST ? (looked ?? open[0]?.position ?? null) : chosen;
  const detail = settling.find(({ position }) => position === shown) ?? null;
  const performance = nextPerformance(occasions, instrument.id, nowMs, timeZone);
  const late = performance ? open.filter(({ plan }) => plan.settledAt > performance.atMs) : [];
  const warning =
    performance && late.length > 0
      ? { ...performance, strings: late.map(({ position }) => names[position]).join(', ') }
      : null;

  const write = async () => {
    if (!steady) return;
    const cents = Math.round(steady.cents * 10) / 10;
    forget();
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
  const listenFor = (position: number) => {
    setChosen(position);
    forget();
  };
  return {
    household,
    strings,
    names,
    nowMs,
    timeZone,
    settling,
    open,
    chosen,
    heard,
    drowned,
    steady,
    ear,
    start,
    stop,
    detail,
    warning,
    listenFor,
    write,
    simulate,
    listening,
  };
}

export type SettlingModel = ReturnType<typeof useSettling>;
