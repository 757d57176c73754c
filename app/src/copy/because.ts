import { fixed, upTo } from './numbers';
import { effectsWords } from './air';
import { hoursWords, lastingWords, minutesWords } from './dates';
import { measureWords, type LengthUnit, inUnits, temperatureWords } from './measures';
import { shownUnits } from './units';
import { GLUE_SOFTENS_C } from '@tembrin/core/air';
import type { Because, OpeningStepId, RoundStep } from '@tembrin/core/routines';
import type { RosinVerdict } from '@tembrin/core/bow';

const days = (count: number) => (count === 0 ? 'today' : count === 1 ? 'yesterday' : `${count} days ago`);

/** A temperature in the unit of this device, whole. */
const degrees = (tempC: number) => temperatureWords(tempC, shownUnits().temperatures, 0);

/** A change of moisture in points of percent. */
const points = (change: number) => `${fixed(Math.abs(change * 100), 1)} %`;

/** What the rosin verdict says to do. */
export function rosinWords({ kind, since, passes, minutes, budget }: RosinVerdict): string {
  const bowed =
    since === 'not-known'
      ? `${minutesWords(minutes)} bowed and no rosining on record`
      : `${minutesWords(minutes)} since the last rosining`;
  switch (kind) {
    case 'new-hair':
      return 'New hair, no rosin on it yet: give it some minutes, in many light passes.';
    case 'due':
      return `${bowed}: give it ${NUMBERS[passes] ?? passes} passes.`;
    case 'enough':
      return `${bowed}; none needed before ${minutesWords(budget.dueFrom)}.`;
  }
}

const NUMBERS = ['no', 'one', 'two', 'three', 'four', 'five', 'six', 'seven', 'eight'];

/** Why a step is there today, or stands out, in a sentence or two. */
export function becauseWords(because: Because): string {
  switch (because.code) {
    case 'interval':
      return because.days === null
        ? 'Not done yet since this log began.'
        : `Last done ${days(because.days)}; every ${because.everyDays} days is enough.`;
    case 'strings-due':
      return 'New strings are due.';
    case 'residue': {
      const { residue, rung } = because;
      const lying = `${minutesWords(residue.minutes)} of playing lie here${residue.since === null ? '' : ', unwiped'}.`;
      const state = residue.state === 'caked' ? 'It will have caked.' : 'It is getting hard.';
      return `${lying} ${state} ${rung.does}`;
    }
    case 'rosin':
      return rosinWords(because.verdict);
    case 'new-strings':
      return `New strings ${because.days < 2 ? 'are on' : `went on ${days(because.days)}`}: they drift, so tune often.`;
    case 'long-rest':
      return `Not played for ${because.days} days: it will have moved.`;
    case 'left-tight':
      return `It was left tight for ${hoursWords(because.hours)}. Slacken it, look along the stick, then tighten.`;
    case 'more-turns':
      return `${upTo(because.turns, 2)} turns now, ${upTo(because.before, 2)} when the hair was new: it has stretched.`;
    case 'not-measured':
      return 'Your own measure is not on record yet. Write it down once it fits.';
    case 'measure-again':
      return `Measured ${lastingWords(because.days * 86_400_000)} ago. A child grows: measure again.`;
    case 'pegs':
      return because.kind === 'slip'
        ? `Its wood has lost ${points(because.change)} of water in two weeks: pegs will slip. Push in while turning.`
        : `Its wood has taken up ${points(because.change)} of water in two weeks: pegs will stick. Ease them, do not force.`;
    case 'air': {
      const { body, side } = because.verdict;
      return `Its wood is ${side === 'damp' ? 'damp' : 'dry'}${body ? `, as at ${Math.round(body.restRh * 100)} %` : ''}: look for ${effectsWords(because.verdict.effects) || 'what has moved'}.`;
    }
    case 'car':
      return because.outdoorsC <= 8
        ? `${degrees(because.outdoorsC)} outside: leave the case closed on arrival until it has warmed through.`
        : `${degrees(because.outdoorsC)} outside makes about ${degrees(because.carC)} in a parked car; glue softens from ${degrees(GLUE_SOFTENS_C)}.`;
    case 'learning':
      return 'Spelt out for the first evenings; later, only what is unusual.';
  }
}

/** A round that is spelt out, by its first and its last step. */
function stepByStep(steps: readonly RoundStep<OpeningStepId>[]): string {
  const [first, last] = [steps[0]!.data.title, steps.at(-1)!.data.title];
  return steps.length === 1
    ? `One step: ${first.toLowerCase()}.`
    : `Step by step: ${steps.length} of them, from “${first}” to “${last}”.`;
}

/** The opening round in a line: what stands out today, else this player's own measures. */
export function openingWords(steps: readonly RoundStep<OpeningStepId>[], lengths: LengthUnit): string {
  // A bow left tight stands at the top of the stand already.
  const standing = steps.filter(
    ({ because }) => because !== null && because.code !== 'learning' && because.code !== 'left-tight',
  );
  const learning = steps.some(({ because }) => because?.code === 'learning');
  const said = standing.map(({ data, because }) =>
    because?.code === 'rosin' ? rosinWords(because.verdict) : `${inUnits(data.title)}. ${becauseWords(because!)}`,
  );
  if (said.length > 0) return said.length > 2 ? `${said[0]} And ${said.length - 1} more.` : said.join(' ');
  if (learning) return stepByStep(steps);
  const own = steps.flatMap(({ data, measure }) =>
    measure && data.figure
      ? [`${inUnits(data.title).toLowerCase()}: ${measureWords(data.figure, measure.value, lengths)}`]
      : [],
  );
  return own.length > 0 ? `As usual; ${own.join(', ')}.` : 'As usual.';
}
