import {
  DAY_MS,
  HAIR_LIFE,
  stringNames,
  TIGHT_COSTS_AT_MOST,
  TIGHT_HOUR_COSTS,
  type Pace,
  type Schools,
  type Thread,
  type TwoClock,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { AIR_RULE, airSchoolWords, verdictFigures } from './air';
import { dateWords, hoursWords, lastingWords, minutesWords } from './dates';
import { RESIDUE_NAMES, STATE_NAMES, ZONE_NAMES } from './names';
import { paceBasis, type Moment } from './reasons';

/** The working of a verdict: the figures it was computed from, the rule, whose rule it is, and what would change it. */
export interface Working {
  figures: readonly (readonly [label: string, value: string])[];
  rule: string;
  school: string;
  changes: readonly string[];
}

const SWEAT_WORDS = { low: 'dry', usual: 'ordinary', corrosive: 'corrosive' } as const;
const percent = (share: number) => `${Math.round(share * 100)} %`;
const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'];

function paceFigures(pace: Pace): Working['figures'] {
  const { hoursPerDay, hoursOn, logSd } = pace;
  const most = Math.max(...hoursOn);
  const uneven = most > 1.5 * hoursPerDay ? `, most on ${WEEKDAYS[hoursOn.indexOf(most)]}` : '';
  return [
    ['Playing expected', `${Math.round(hoursPerDay * 60)} min a day${uneven}`],
    ['It rests on', paceBasis(pace)],
    ['Uncertainty of that', `± ${percent(Math.exp(logSd) - 1)}`],
  ];
}

function clockFigures({ life, hoursPlayed, daysOn, wear, extraWear, chance, toll }: TwoClock): Working['figures'] {
  return [
    ['Played on it', hoursWords(hoursPlayed)],
    ['Age', `${Math.round(daysOn)} days`],
    [
      'Wear',
      `${hoursWords(hoursPlayed)} ÷ ${Math.round(life.hours)} h + ${Math.round(daysOn)} d ÷ ${Math.round(life.days)} d${extraWear > 0 ? ` + ${extraWear.toFixed(2)}` : ''} = ${wear.toFixed(2)}`,
    ],
    ['Chance that it is spent', percent(chance)],
    ...(toll && toll.factor > 1.005
      ? ([
          [
            'Air it was in',
            `${percent(toll.damp)} of its days damp, ${percent(toll.dry)} dry: days count ${toll.factor.toFixed(2)} times (at most 1.5, from memory)`,
          ],
        ] as const)
      : []),
  ];
}

function windowFigures(thread: Thread, { nowMs, timeZone }: Moment): Working['figures'] {
  if (!thread.window) return [];
  const { early, middle, late } = thread.window;
  const date = (atMs: number) => dateWords(atMs, nowMs, timeZone);
  return [
    ['Early end (10 %)', date(early)],
    ['Middle (50 %)', date(middle)],
    ['Late end (90 %)', date(late)],
  ];
}

const SPREAD = 'One set in ten lasts less than 0.64 of the average, one in ten more than 1.57 of it.';

/** Shows how a thread came about. */
export function workingOf(
  thread: Thread,
  pace: Pace,
  instrument: Instrument,
  schools: Schools,
  moment: Moment,
): Working {
  const { nowMs, timeZone } = moment;
  const window = windowFigures(thread, moment);
  const verdict: Working['figures'] = [['Verdict', STATE_NAMES[thread.state]]];
  switch (thread.part) {
    case 'strings': {
      const names = stringNames(instrument);
      const each = thread.on.map(({ position, fitting, window: own }): [string, string] => [
        `${names[position]} string`,
        fitting
          ? `fitted ${dateWords(fitting.at, nowMs, timeZone)}${fitting.known ? '' : ' or earlier'}${own ? `, spent about ${dateWords(own.middle, nowMs, timeZone)}` : ''}`
          : 'not known',
      ]);
      const { factor, sweat, wiping } = thread;
      const lived: Working['figures'] = [
        ['Your hands', `${SWEAT_WORDS[sweat.kind]}: life × ${sweat.factor.toFixed(2)} (from memory)`],
        [
          'Your cloth',
          wiping
            ? `wiped after ${percent(wiping.share)} of ${wiping.sessions} sessions: life × ${wiping.factor.toFixed(2)} (0.85 to 1.10, from memory)`
            : 'not known yet: fewer than 8 closing rounds on record',
        ],
        [
          'Learned from your changes',
          factor.seen === 0
            ? 'nothing yet; the rule’s own spread'
            : `life × ${factor.median.toFixed(2)}, from ${factor.worn} changed because worn${factor.seen > factor.worn ? ` and ${factor.seen - factor.worn} for other reasons` : ''}`,
        ],
      ];
      const same = thread.on.every(({ fitting }) => fitting === thread.on[0]?.fitting);
      return {
        figures: [
          ...verdict,
          ...(thread.clock ? clockFigures(thread.clock) : []),
          ...lived,
          ...paceFigures(pace),
          ...window,
          ...(same ? [] : each.slice(0, 12)),
        ],
        rule: `Wear is hours ÷ H plus days ÷ D, and a string is spent at 1. ${factor.seen === 0 ? SPREAD : 'Your own changes have narrowed and moved the window: those because worn count fully, others say “at least so long”.'} Where strings differ, the one spent first decides.`,
        school:
          thread.basis === 'default'
            ? 'The trade has no agreed figure for these strings; this is a stated default until your own changes are on record.'
            : instrument.family === 'guitar'
              ? 'Common practice for guitars: 6 months of light playing, 3 of heavy.'
              : 'Common practice for bowed strings: 12 months at half an hour a day, 6 at two hours.',
        changes: [
          'Fitting new strings starts the thread again.',
          'Playing more brings the window nearer; playing less moves it away.',
          'A frayed or false string is changed now, whatever the figures say.',
        ],
      };
    }
    case 'hair':
      return {
        figures: [
          ...verdict,
          ...(thread.clock ? clockFigures(thread.clock) : []),
          ...paceFigures(pace),
          ...window,
          ...(thread.lookDueAt === null
            ? []
            : [['Yearly look due', dateWords(thread.lookDueAt, nowMs, timeZone)] as const]),
          [
            'Tight while not played',
            `${hoursWords(thread.tension.idleHours)} since the rehair${thread.tension.times > 0 ? `, left tight ${thread.tension.times} times` : ''}`,
          ],
          ...(thread.stretch
            ? [['Turns to the gap', `${thread.stretch.turns}, and ${thread.stretch.before} when it was new`] as const]
            : []),
        ],
        rule: `Wear is hours ÷ H plus days ÷ D, and the hair is spent at 1. ${SPREAD} Once a year it is looked over whatever its wear. An hour left tight counts as ${TIGHT_HOUR_COSTS} h of bowing, up to ${percent(TIGHT_COSTS_AT_MOST)} of its life of ${HAIR_LIFE.hours} h (from memory of the trade, not measured).`,
        school: 'Common practice: every 6 months at three and a half hours a day, every 24 at half an hour.',
        changes: [
          'A rehair starts the thread again.',
          'Thin edges, many broken hairs or hair that takes no rosin: rehair now.',
          'Slackening after every session keeps the hair from stretching.',
        ],
      };
    case 'rosin': {
      const { dueFrom, budget, overduePast, scale, rosinings } = thread.budget;
      return {
        figures: [
          ...verdict,
          ['Bowed since the last', minutesWords(thread.minutes)],
          ['Due from', minutesWords(dueFrom)],
          ['Budget', minutesWords(budget)],
          ['Overdue past', minutesWords(overduePast)],
          [
            'Your own habit',
            scale === 1
              ? `not known yet (${rosinings} of 3 rosinings on record)`
              : `${scale.toFixed(2)} × the usual, from your last ${rosinings} rosinings`,
          ],
          ...paceFigures(pace).slice(0, 1),
        ],
        rule: 'One rosining for every 90 minutes of bowing: due from 60, overdue past 105. All playing counts as bowing. When it is due, a light pass for every quarter of an hour, three to eight (from memory of the trade).',
        school:
          'Common practice: weekly at 10 to 15 minutes a day, daily at 60 to 90. Your own habit scales it, between half and double.',
        changes: [
          'Rosining starts the count again.',
          'The sound decides: airy and slipping wants more, a dust cloud or a gritty tone wants less.',
        ],
      };
    }
    case 'residue':
      return {
        figures: [
          ...verdict,
          ...thread.zones.map(({ zone, state, since, minutes, wipedAt }): [string, string] => [
            ZONE_NAMES[zone],
            since === null
              ? wipedAt === null
                ? 'never played'
                : `clean since ${dateWords(wipedAt, nowMs, timeZone)}`
              : `${RESIDUE_NAMES[state].toLowerCase()}: ${minutesWords(minutes)} in ${lastingWords(nowMs - since)} unwiped`,
          ]),
        ],
        rule: 'Wipe the same evening. After two days or five hours of playing residue counts as settling, after sixty days or fifty hours as caked (from memory of the trade, not measured).',
        school:
          schools.cloths === 'A'
            ? 'Two cloths: one for rosin, one for where hands were.'
            : 'One cloth: rosin zones last.',
        changes: [
          'Wiping a zone clears it.',
          'Skipping a zone in the closing round leaves it here.',
          'Spirit is for strings only, off the instrument: never a drop on wood or varnish.',
        ],
      };
    case 'air': {
      const { verdict } = thread;
      return {
        figures: verdictFigures(verdict, instrument, moment, 'mm'),
        rule: AIR_RULE,
        school: airSchoolWords(verdict),
        changes: [
          'Air inside the band brings the wood back, as slowly as it went.',
          'A closed case slows it: dry days pass before the wood has noticed.',
          'A hygrometer that is wrong makes a verdict that is wrong: check it over salt.',
        ],
      };
    }
    case 'checkup':
      return {
        figures: [
          ...verdict,
          ['Last checkup', thread.from === null ? 'not known' : dateWords(thread.from, nowMs, timeZone)],
          ...(thread.from === null
            ? []
            : [['That was', `${lastingWords(Math.max(DAY_MS, nowMs - thread.from))} ago`] as const]),
          ...window.map(([, value], at) => [['Earliest visit', 'The rule', 'Latest visit'][at]!, value] as const),
        ],
        rule: `Every ${thread.months} months by the calendar, a month to either side to arrange the visit.`,
        school:
          schools.checkup === 'A'
            ? 'School A: every six months. School B says yearly; choose under Schools.'
            : 'School B: yearly. School A says every six months; choose under Schools.',
        changes: [
          'A checkup starts the thread again.',
          'After a fall or shipping: have it looked over at once, the sound post first.',
          'Tembrin advises; it does not replace a luthier.',
        ],
      };
  }
}
