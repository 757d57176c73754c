import { usualRelief, verdictOf } from '../../inspection';
import type { Kind } from '../../instruments';
import type { JobData, WorkContext, WorkStep } from '../work';

/** Kinds whose neck has a rod that is turned from outside. Classical guitars rarely have one [common practice]. */
const WITH_ROD: readonly Kind[] = ['steel', 'electric', 'bass-guitar'];
/** Eighth-turns of a rod in one sitting; further ones another day, or at the technician's. From memory. */
export const MOST_EIGHTHS = 4;
/** A neck answers to its rod in minutes, and goes on for hours. From memory. */
const ROD_RESTS_MIN = 15;

const READ = 'Lowest string held down at the first and the last fret: the gap between string and fret halfway, by a feeler gauge or a ruler.';

/** Readings of the relief since the work began, mm. */
const readSince = ({ log, beganAt }: WorkContext) =>
  beganAt === null ? [] : log.measures.filter(({ figure, at }) => figure === 'relief' && at >= beganAt);

/** An eighth of a turn, its rest and the next reading, for each that was needed so far and, while it is needed, one more. */
function eighths(context: WorkContext): WorkStep[] {
  const { facts, log } = context;
  const readings = readSince(context);
  const limits = { facts, earlier: [], rehairedAt: null, nowMs: log.nowMs };
  const isIn = (at: number) => verdictOf({ figure: 'relief', value: readings[at]!.value }, limits) === 'good';
  const first = readings[0];
  if (!first || facts.kind === null || !WITH_ROD.includes(facts.kind)) return [];
  const needed = readings.findIndex((_reading, at) => isIn(at));
  const turns = Math.min(MOST_EIGHTHS, needed < 0 ? readings.length : needed);
  return Array.from({ length: turns }, (_, at) => {
    const { value } = readings[at] ?? readings.at(-1)!;
    const narrow = value < (usualRelief(facts.kind)?.[0] ?? 0);
    return [
      {
        id: `turn-${at + 1}`,
        title: narrow ? 'An eighth of a turn looser' : 'An eighth of a turn tighter',
        how: [
          'The strings eased by a tone first. Its own key, fully seated; an eighth of a turn and no more.',
          narrow
            ? 'Against the clock lets the strings pull more relief into the neck.'
            : 'With the clock straightens the neck against the strings.',
        ],
        caution: 'If it does not move with two fingers, stop: a rod is never forced. The technician.',
        picture: 'rod',
      },
      {
        id: `rest-${at + 1}`,
        title: 'Up to pitch, and let it rest',
        how: ['The neck goes on moving for a while.'],
        waitMin: ROD_RESTS_MIN,
        picture: 'tune',
      },
      {
        id: `read-${at + 1}`,
        title: 'Read it again',
        how: [READ],
        picture: 'rod',
        figures: ['relief'],
      },
    ] satisfies WorkStep[];
  }).flat();
}

/** What the readings came to. */
function reliefEnd(context: WorkContext): WorkStep {
  const { facts } = context;
  const rod = facts.kind !== null && WITH_ROD.includes(facts.kind);
  return {
    id: 'end',
    title: 'Enough for today',
    how: [
      rod
        ? `Four eighths are the most in one sitting. It moves on over night: read it tomorrow before the next.`
        : 'This neck has no rod to turn from outside: the air first, then a technician.',
      'Within its range and it still buzzes? Then it is a fret, the nut or the air.',
    ],
    picture: 'none',
    zone: 'fretboard',
    look: 'relief',
  };
}

/** Jobs at guitars and harps alone. */
export const PLUCKED_JOBS: readonly JobData[] = [
  {
    id: 'relief',
    text: 'Read first; where there is a rod, eighth-turns with rests, and an end to them.',
    minutes: 15,
    who: 'practised',
    for: { families: ['guitar'] },
    mends: ['relief-gone', 'relief-wide'],
    compose: (context) => [
      {
        id: 'tune',
        title: 'Tune it as it is played',
        how: ['Relief is read under the pull of its own strings.'],
        picture: 'tune',
      },
      {
        id: 'air',
        title: 'The air first',
        how: [
          context.air?.verdict.side === 'dry'
            ? 'Its wood is too dry now: a neck eased today is wrong again once the air is back. Humidify for days, then read.'
            : context.air?.verdict.side === 'damp'
              ? 'Its wood is too damp now: a neck eased today is wrong again once the air is back. Dry slowly, then read.'
              : 'In usual air what is read now will hold.',
        ],
        picture: 'closed-case',
      },
      { id: 'read', title: 'Read the relief', how: [READ], picture: 'rod', figures: ['relief'] },
      ...eighths(context),
      reliefEnd(context),
    ],
  },
  {
    id: 'fret-ends',
    text: 'Air for days before anything else; then what still catches.',
    minutes: 6,
    who: 'player',
    for: { families: ['guitar'] },
    mends: ['fret-ends-out'],
    compose: () => [
      {
        id: 'feel',
        title: 'A finger along both edges',
        how: ['From the nut to the body. Where it catches, the board has drawn back behind its frets.'],
        picture: 'fret-end',
        look: 'fret-ends',
      },
      {
        id: 'air',
        title: 'Humidify for days',
        how: ['The guitar in its closed case with its humidifier, for a week. Then feel again: most of it has gone.'],
        caution: 'Not filed in dry air: in spring the frets would be too short.',
        picture: 'closed-case',
      },
      {
        id: 'oil',
        title: 'A grey board is cleaned, not fed',
        how: ['At the next change of strings: fretboard oil, a few drops on a cloth, wiped off again. Once or twice a year; it adds no moisture.'],
        caution: 'Not on a lacquered maple board.',
        picture: 'clean',
      },
      {
        id: 'again',
        title: 'What still catches in usual air',
        how: ['Is a technician’s: ten minutes with the right file.'],
        picture: 'fret-end',
      },
    ],
  },
  {
    id: 'harp-action',
    text: 'Pins, discs and levers brushed dry; every string open and sharpened.',
    minutes: 25,
    who: 'player',
    for: { families: ['harp'] },
    mends: ['action-dusty', 'regulation-off', 'felt-worn'],
    compose: ({ facts: { kind } }) => {
      const part = kind === 'pedal' ? 'disc' : 'lever';
      return [
        {
          id: 'brush',
          title: 'Brush it dry',
          how: [`A stiff artist’s brush, from the pins down over each ${part}, outwards. Dust and grease gum it.`],
          caution: 'No oil, nothing wet, no cloth that catches in the action.',
          picture: 'discs',
        },
        {
          id: 'move',
          title: kind === 'pedal' ? 'Each pedal through its three places' : 'Each lever up and down',
          how: [`Watch every ${part} grip: squarely, without rattling, the same all along.`],
          picture: 'discs',
          look: 'harp-action',
        },
        {
          id: 'sound',
          title: 'Each string, open and sharpened',
          how: ['From the bass up, with a tuner: its note, then a semitone higher. More than 10 cents off, or a buzz: note which.'],
          picture: 'none',
          zone: 'strings',
          figures: ['sharpened-off'],
          each: true,
          look: 'harp-tuning',
        },
        {
          id: 'who',
          title: 'Regulating is the technician’s',
          how: [`A ${part} that slips, one that is out by itself, or a row of them: noted here, they go along to the next visit.`],
          picture: 'none',
          zone: 'action',
        },
      ];
    },
  },
];
