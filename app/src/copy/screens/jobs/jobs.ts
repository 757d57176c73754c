import { dateWords, minutesWords, spanWords } from '@/copy/dates';
import { lengthWords, type LengthUnit } from '@/copy/measures';
import type { Moment } from '@/copy/lists';
import type { Seeker } from '@tembrin/core/log';
import type { NextSize } from '@tembrin/core/jobs';

/** What features/jobs says. */
export const copy = {
  title: 'Jobs, step by step',
  underWay: 'Under way',
  takeUp: (when: string) => `Begun ${when}. Take it up where you left it.`,
  all: 'All of them',
  takes: (minutes: number, who: Seeker) => `${minutesWords(minutes)}${WHO[who]}`,
  wait: 'Rests not counted.',
  begin: 'Begin',
  goOn: 'Go on',
  steps: 'In this order',
  child: 'A child needs a grown-up who has done this before.',
  practised: 'For hands that have been shown it once. Otherwise a teacher or a luthier does it in minutes.',
  advises: 'Tembrin advises. An old or valuable instrument: ask a qualified luthier first.',
  done: (title: string) => `Done: ${title.toLowerCase()}.`,
  left: 'Left off. What was read and found stays on record.',
  lastDone: (when: string) => `Done last ${when}.`,
  sound: 'Sound an open string',
  noSound: 'This browser cannot sound a note.',
  touch: 'It stops when I touch',
  each: 'Out when sharpened, or buzzing',
  shown: 'I have been shown how',
  nothingStops: 'Nothing of these',
  itWas: (what: string) => `It was: ${what.charAt(0).toLowerCase()}${what.slice(1)}`,
  rest: (clock: string) => `It rests until ${clock}. Going on earlier is up to you.`,
  rested: 'It has rested.',
  byPhoto: 'Measure it by photo',
  photographs: 'Take photographs',
  howIsIt: 'How is it?',
  progress: 'Steps',
  sizeTitle: 'The next size',
  size: (next: NextSize, moment: Moment, lengths: LengthUnit): string[] => sizeWords(next, moment, lengths),
} as const;

const WHO: Readonly<Record<Seeker, string>> = {
  child: ', anyone',
  player: ', whoever plays',
  practised: ', practised hands',
};

/** A child's next size: what fits now, and when the next is reached. */
function sizeWords(
  { armMm, fits, next, outgrown, window, perYearMm, measured }: NextSize,
  { nowMs, timeZone }: Moment,
  lengths: LengthUnit,
): string[] {
  const arm = lengthWords(armMm, lengths);
  const now =
    fits === null ? `An arm of ${arm} is shorter than the smallest size wants.` : `An arm of ${arm} plays a ${fits}.`;
  if (outgrown)
    return [now, 'The one that is played has been outgrown: ask for that size now, and try it with the teacher.'];
  if (next === null || window === null) return [now, 'It is the largest: no other comes after it.'];
  const rate = `${lengthWords(Math.round(perYearMm), lengths)} a year`;
  const from = measured
    ? `by the ${rate} this arm has grown`
    : `by ${rate}, usual for children; measured again in a quarter of a year it follows this one`;
  const when =
    window.middle <= nowMs
      ? 'by now'
      : `about ${dateWords(window.middle, nowMs, timeZone)} (${spanWords(Math.max(nowMs, window.from), window.to, nowMs, timeZone)})`;
  return [now, `A ${next} ${when}, ${from}.`];
}
