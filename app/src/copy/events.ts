import type { Instrument } from '@tembrin/contract';
import { clockWords, dateWords } from './dates';
import { waterFigure, waterUnit } from './amounts';
import { measureWords } from './measures';
import { shownUnits } from './units';
import { listWords } from './lists';
import { moneyWords } from './numbers';
import { REASON_NAMES, STEP_NAMES } from './names';
import { findingWords, SETTLED_WORDS } from './findings';
import { centsWords } from './strings';
import { DRILL_DATA } from '@tembrin/core/learning';
import { JOB_TITLES } from '@tembrin/core/guided';
import { FIGURE_DATA, LOOK_DATA, stringNames, VIEW_DATA } from '@tembrin/core/instruments';
import type { EventOf, LogEvent } from '@tembrin/core/log';

const NO_BOWS: ReadonlyMap<string, string> = new Map();
const EXTENT_WORDS = { full: 'all of it', quick: 'a quick look', bow: 'the bow' } as const;
/** A word of what can be wrong, read as it stands. */
const plain = (word: string) => word.replaceAll('-', ' ');
const DOER_WORDS = { self: 'yourself', teacher: 'a teacher', workshop: 'the workshop' } as const;
const WEIGHED = { empty: 'empty', before: 'before filling', filled: 'filled' } as const;

/**
 * One event in a few words, for the history and for messages about it.
 * @param bows names of the bows by their ids, where there are several to tell apart
 */
export function eventWords(
  event: LogEvent,
  instrument: Instrument | null,
  timeZone: string,
  bows: ReadonlyMap<string, string> = NO_BOWS,
): string {
  const words = wordsOf(event, instrument, timeZone);
  const bow = 'bowId' in event.payload && event.payload.bowId ? bows.get(event.payload.bowId) : undefined;
  return bow === undefined ? words : event.type === 'bow-taken' ? `Bow taken: ${bow}` : `${words} (${bow})`;
}

function wordsOf(event: LogEvent, instrument: Instrument | null, timeZone: string): string {
  const at = Date.parse(event.occurredAt);
  const when = `${dateWords(at, Date.parse(event.recordedAt), timeZone)}, ${clockWords(at, timeZone)}`;
  switch (event.type) {
    case 'session-began':
    case 'session-entered':
      return `a session of ${when}`;
    case 'session-ended':
      return `the end of a session, ${when}`;
    case 'session-corrected':
      return 'a correction to a session';
    case 'step-done':
    case 'step-skipped':
      return `${STEP_NAMES[event.payload.step]}${event.type === 'step-skipped' ? ', skipped' : ''}`;
    case 'bow-taken':
      return 'Another bow taken';
    case 'rosined':
      return 'Rosined';
    case 'strings-fitted': {
      const { strings, reason, known } = event.payload;
      const names = instrument && strings ? strings.map((at) => stringNames(instrument)[at]).join(', ') : null;
      const why =
        reason === 'on-record' ? (known ? '' : ', date not known') : `: ${REASON_NAMES[reason].toLowerCase()}`;
      return `${names ? `New ${names} string${strings?.length === 1 ? '' : 's'}` : 'New set of strings'}${why}`;
    }
    case 'change-began':
      return `Change of strings begun: ${listWords(event.payload.strings.map((at) => (instrument ? stringNames(instrument)[at]! : String(at + 1))))}`;
    case 'change-ended':
      return event.payload.finished ? 'Change of strings finished' : 'Change of strings left off';
    case 'tuned':
      return `${instrument ? stringNames(instrument)[event.payload.string] : `String ${event.payload.string + 1}`} tuned, found ${centsWords(event.payload.cents)}`;
    case 'rehaired':
      return event.payload.known ? 'Bow rehaired' : 'Bow hair on, date not known';
    case 'strings-looked-over':
      return 'Strings looked over, still good';
    case 'hair-looked-over':
      return 'Bow hair looked over, still good';
    case 'checked-up':
      return 'Checkup';
    case 'measured':
      return figureWords(event.payload);
    case 'regulated':
      return event.payload.known ? 'Regulated' : 'Regulated, date not known';
    case 'packed':
      return 'Packed for the way';
    case 'moved':
      return event.payload.placeId === null
        ? 'Went away from home'
        : `Moved${event.payload.cased ? ', in its case' : ''}`;
    case 'humidifier-weighed':
      return `Case humidifier weighed: ${waterFigure(event.payload.grams)} ${waterUnit()} ${WEIGHED[event.payload.kind]}`;
    case 'look-over-began':
      return `Looked over: ${EXTENT_WORDS[event.payload.extent]}`;
    case 'look-over-ended':
      return 'the end of a look-over';
    case 'look-skipped':
      return `${LOOK_DATA[event.payload.look].title}, not looked at`;
    case 'looked-at':
      return findingWords(event.payload, instrument);
    case 'finding-settled':
      return SETTLED_WORDS[event.payload.how];
    case 'knocked':
      return 'Fell or was knocked';
    case 'photographed':
      return photoWords(event.payload);
    case 'drill-done':
    case 'trouble-noticed':
    case 'trouble-answered':
    case 'trouble-settled':
    case 'job-began':
    case 'job-ended':
    case 'brought-in':
    case 'fetched-back':
    case 'worked-on':
      return benchWords(event);
    case 'retracted':
      return 'taking an entry back';
  }
}

function figureWords({ figure, value }: EventOf<'measured'>['payload']): string {
  return `${FIGURE_DATA[figure].title}: ${measureWords(figure, value, shownUnits().lengths)}`;
}

function photoWords({ look, view }: EventOf<'photographed'>['payload']): string {
  const what = view === undefined ? (look === null ? null : LOOK_DATA[look].title) : VIEW_DATA[view].title;
  return what === null ? 'Photographed' : `Photographed: ${what}`;
}

/** "A new saddle, by the workshop: EUR 40". */
function workWords({ words, by, cost }: EventOf<'worked-on'>['payload']): string {
  const what = `${words || 'Work'}, by ${DOER_WORDS[by]}`;
  return cost === null ? what : `${what}: ${moneyWords(cost)}`;
}

type BenchEvent = EventOf<
  | 'drill-done'
  | 'trouble-noticed'
  | 'trouble-answered'
  | 'trouble-settled'
  | 'job-began'
  | 'job-ended'
  | 'brought-in'
  | 'fetched-back'
  | 'worked-on'
>;

/** What was learned, what was wrong, and what was done at the bench, here or in a workshop. */
function benchWords(event: BenchEvent): string {
  switch (event.type) {
    case 'drill-done': {
      const { drill, right, of } = event.payload;
      return `Drill: ${DRILL_DATA[drill].title.toLowerCase()}, ${right} of ${of} right`;
    }
    case 'trouble-noticed':
      return `Something wrong: ${listWords(event.payload.symptoms.map(plain))}`;
    case 'trouble-answered':
      return `Looked into: ${plain(event.payload.question)}, ${plain(event.payload.answer)}`;
    case 'trouble-settled': {
      const { cause, note } = event.payload;
      return `It was: ${cause === null ? 'nobody knows' : plain(cause)}${note === '' ? '' : `, ${note}`}`;
    }
    case 'job-began':
      return `Begun: ${JOB_TITLES[event.payload.job]}`;
    case 'job-ended':
      return `${event.payload.finished ? 'A job done' : 'A job left off'}${event.payload.note === '' ? '' : `: ${event.payload.note}`}`;
    case 'brought-in':
      return 'Brought to the workshop';
    case 'fetched-back':
      return 'Back from the workshop';
    case 'worked-on':
      return workWords(event.payload);
  }
}
