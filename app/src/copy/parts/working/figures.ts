import { fixed } from '../../numbers';
import { dateWords, hoursWords } from '../../dates';
import type { Moment } from '../../lists';
import { STATE_NAMES } from '../../names';
import type { Figure } from '../part-copy';
import { paceBasis } from '../windows';
import type { Pace } from '@tembrin/core/wear';
import type { Thread, TwoClock } from '@tembrin/core/parts';

export const percent = (share: number) => `${Math.round(share * 100)} %`;

/** A tenth of a normal distribution lies so many sd out. Published: any table of it. */
const TENTH = 1.2816;
/** How lives spread about the rule. @param logSd sd of their natural logarithm */
export function spreadWords(logSd: number): string {
  const [less, more] = [-TENTH, TENTH].map((sd) => fixed(Math.exp(sd * logSd), 2));
  return `One in ten lasts less than ${less} of the average, one in ten more than ${more} of it.`;
}

export const verdictFigure = ({ state }: Pick<Thread, 'state'>): Figure => ['Verdict', STATE_NAMES[state]];

export function windowFigures({ window }: Pick<Thread, 'window'>, { nowMs, timeZone }: Moment): readonly Figure[] {
  if (!window) return [];
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  return [
    ['Early end (10 %)', date(window.early)],
    ['Middle (50 %)', date(window.middle)],
    ['Late end (90 %)', date(window.late)],
  ];
}

/** The figures of a part on two clocks; none where nobody said when it began. */
export function clockFigures(clock: TwoClock | null, { before }: Pace): readonly Figure[] {
  if (!clock) return [];
  const { life, hoursPlayed, hoursBefore, daysOn, wear, extraWear, chance, toll } = clock;
  const extra = extraWear > 0 ? ` + ${fixed(extraWear, 2)}` : '';
  const hours = hoursPlayed + hoursBefore;
  const figures: Figure[] = [
    ['Played on it', hoursPlayed < 0.05 ? 'nothing on record' : `${hoursWords(hoursPlayed)} on record`],
    ...(hoursBefore > 0
      ? [
          [
            'Before this log',
            `about ${hoursWords(hoursBefore)}, reckoned at ${Math.round(before.hoursPerDay * 60)} min a day, ± ${percent(Math.exp(before.logSd) - 1)}`,
          ] as const,
        ]
      : []),
    ['Age', `${Math.round(daysOn)} days`],
    [
      'Wear',
      `${hoursWords(hours)} ÷ ${Math.round(life.hours)} h + ${Math.round(daysOn)} d ÷ ${Math.round(life.days)} d${extra} = ${fixed(wear, 2)}`,
    ],
    ['Chance that it is spent', percent(chance)],
  ];
  if (toll && toll.factor > 1.005)
    figures.push([
      'Air it was in',
      `${percent(toll.damp)} of its days damp, ${percent(toll.dry)} dry: days count ${fixed(toll.factor, 2)} times (at most ${fixed(1.5, 1)}, from memory)`,
    ]);
  return figures;
}

const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

export function paceFigures(pace: Pace): readonly Figure[] {
  const { hoursPerDay, hoursOn, logSd } = pace;
  const most = Math.max(...hoursOn);
  const uneven = most > 1.5 * hoursPerDay ? `, most on ${WEEKDAYS[hoursOn.indexOf(most)]}` : '';
  return [
    ['Playing expected', `${Math.round(hoursPerDay * 60)} min a day${uneven}`],
    ['It rests on', paceBasis(pace)],
    ...(pace.away.length > 0 ? [['Days away', 'those in the calendar count as without playing'] as const] : []),
    ['Uncertainty of that', `± ${percent(Math.exp(logSd) - 1)}`],
  ];
}
