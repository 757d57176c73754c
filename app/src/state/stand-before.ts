import type { Household } from '@tembrin/contract';
import { recentOf } from '@tembrin/core/assess';
import { clocksAnew, takeClocks } from '@tembrin/core/time';
import { asOfWords } from '@/copy/dates';
import {
  AS_OF,
  forgetDrawn,
  isDark,
  isFresh,
  MISSED,
  readJudged,
  whoIsHere,
  writeDrawn,
  writeJudged,
  type Judged,
} from '@/opening/kept-stand';
import { useAssessmentStore } from './assessment-store';
import type { InstrumentAssessment } from './assessments';
import { standOf, useHousehold } from './household';
import { BUILD } from './kept';
import { useLog } from './log-state';
import { notify, useNotice } from './notice';
import { usePreferences } from './preferences';

/** The page has come to rest by then. From memory. */
const SETTLED_MS = 2_000;
/** How often what only grew older is kept anew. From memory. */
const KEEP_EVERY_MS = 10 * 60_000;
/** The stand's address. */
const STAND = '/now';
const PRESSED_IN_VAIN = 'The stand is another than it was when you pressed. Look at it, and press again.';

const standOfNow = (household: Household) => standOf(household, usePreferences.getState().standId);

/**
 * Puts the stand's judgement of last time in place where a page begins with the stand, and it is this household's, of the same instrument
 * and of this very build: it stands, marked with its time, until the log was read and judged.
 */
export function judgedBefore(household: Household): void {
  if (location.pathname !== STAND) return;
  const judged = readJudged();
  const stand = standOfNow(household);
  if (!judged || !stand || !fits(judged, household, stand.id)) return;
  takeClocks(judged.clocks);
  takeBefore(stand.id, judged.assessment);
}

function fits({ build, householdId, instrumentId, version, assessment }: Judged, household: Household, id: string) {
  const instrument = household.instruments.find((each) => each.id === id)!;
  const same = build === BUILD && householdId === household.id && instrumentId === id && version === instrument.version;
  const { log } = (assessment ?? {}) as Partial<InstrumentAssessment>;
  return same && log !== undefined && isFresh(log.nowMs, Date.now());
}

function takeBefore(id: string, kept: unknown): void {
  const assessment = kept as InstrumentAssessment;
  useAssessmentStore.setState(({ byInstrument, complete, asOf }) =>
    byInstrument[id]
      ? {}
      : {
          byInstrument: { ...byInstrument, [id]: assessment },
          complete: { ...complete, [id]: true },
          asOf: { ...asOf, [id]: assessment.log.nowMs },
        },
  );
}

/** What was kept last: at which number of entries, and when; and whether how it was drawn is kept with it. */
interface Last {
  instrumentId: string;
  entries: number;
  atMs: number;
  drawn: boolean;
}

/** Keeps the stand as it is judged and drawn, whenever it has come to rest. @returns stop */
export function keepStand(): () => void {
  let last: Last | null = null;
  let timer: ReturnType<typeof setTimeout> | undefined;
  let writing: ReturnType<typeof setTimeout> | undefined;
  const keep = () => {
    const { household } = useHousehold.getState();
    const instrument = household && standOfNow(household);
    const assessment = instrument && confirmed(instrument.id);
    if (!household || !instrument || !assessment) return;
    const { id, version } = instrument;
    const entries = useLog.getState().events[id]?.length ?? 0;
    const same = last?.instrumentId === id && last.entries === entries ? last : null;
    const recent = same !== null && Date.now() - same.atMs < KEEP_EVERY_MS;
    if (recent && same.drawn) return;
    const drawn = draw(assessment);
    // Another picture than what is known by now would only mislead.
    if (!drawn && !same) forgetDrawn();
    last = { instrumentId: id, entries, atMs: recent ? same.atMs : Date.now(), drawn: drawn || same?.drawn === true };
    if (recent) return;
    const of = { build: BUILD, householdId: household.id, instrumentId: id, version };
    writing = setTimeout(() => write(of, assessment));
  };
  const soon = () => {
    clearTimeout(timer);
    timer = setTimeout(keep, SETTLED_MS);
  };
  const missed = () => notify(PRESSED_IN_VAIN);
  window.addEventListener(MISSED, missed);
  const stop = useAssessmentStore.subscribe((state, before) => {
    if (state.byInstrument !== before.byInstrument) soon();
  });
  return () => {
    clearTimeout(timer);
    clearTimeout(writing);
    window.removeEventListener(MISSED, missed);
    stop();
  };
}

/** Keeps a judgement: in a task of its own, as the clocks are asked anew, which takes long the first time. */
function write(of: Omit<Judged, 'assessment' | 'clocks'>, assessment: InstrumentAssessment): void {
  const { nowMs, timeZone } = assessment.log;
  try {
    writeJudged({ ...of, assessment: recentOf(assessment), clocks: clocksAnew(nowMs, timeZone) });
  } catch {
    // A browser that is full, or keeps nothing, opens without it.
  }
}

/** A judgement that rests on all of the log this device has; null while there is none. */
function confirmed(id: string): InstrumentAssessment | null {
  const { byInstrument, complete, asOf } = useAssessmentStore.getState();
  return complete[id] && asOf[id] === undefined ? (byInstrument[id] ?? null) : null;
}

/** Keeps how the stand is drawn. @returns whether it stands there, with nothing before it that passes */
function draw({ log }: InstrumentAssessment): boolean {
  const root = document.getElementById('root');
  const passing = useNotice.getState().notice !== null || document.querySelector('[aria-modal=true]') !== null;
  const whose = whoIsHere();
  if (location.pathname !== STAND || passing || whose === null || !root?.querySelector(`#${AS_OF}`)) return false;
  try {
    writeDrawn({
      html: root.innerHTML,
      css: rulesOf(root),
      width: innerWidth,
      dark: isDark(),
      ground: getComputedStyle(document.body).backgroundColor,
      asOf: asOfWords(log.nowMs, log.timeZone),
      atMs: log.nowMs,
      whose,
    });
    return true;
  } catch {
    return false;
  }
}

/** The rules that what is drawn goes by, in their order. */
function rulesOf(root: HTMLElement): string {
  const used = new Set([...root.querySelectorAll('[class]')].flatMap((element) => [...element.classList]));
  const sheet = document.querySelector<HTMLStyleElement>('#react-native-stylesheet')?.sheet;
  return [...(sheet?.cssRules ?? [])]
    .filter((rule) => {
      const names = rule instanceof CSSStyleRule ? (rule.selectorText.match(/\.[\w-]+/g) ?? []) : [];
      return names.every((name) => used.has(name.slice(1)));
    })
    .map(({ cssText }) => cssText)
    .join('\n');
}
