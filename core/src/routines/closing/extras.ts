import { BOWED, CHIN_HELD } from '../../instruments';
import type { StepId } from '../../log';
import type { StepData } from '../step';
import { WIPES } from './wipes';

/** Once or twice a year [handbook 2, ladder of the guitar]; only while the strings are off. */
const FRETBOARD = {
  id: 'fretboard',
  title: 'Fretboard at this change of strings',
  how: [
    'New strings are due. While the old ones are off, clean the bare fretboard with a drop of oil on a cloth.',
    'Wipe it dry. Press Skip until you change them.',
  ],
  why: 'Once or twice a year is enough. The oil cleans; it adds no moisture.',
  zone: 'fretboard',
  tool: 'cleaner on a cloth',
  after: ['wipe-strings'],
  due: { everyDays: 180, withStrings: true },
} as const;

/**
 * What is not for every evening. From memory: how often each comes, a week or a fortnight where the trade says only
 * "now and then".
 */
export const EXTRA_STEPS: readonly StepData<StepId>[] = [
  {
    id: 'chin-rest',
    title: 'Clean the chin rest',
    how: ['Its rim and its underside, and the varnish beside it.', 'With the cloth kept free of rosin.'],
    why: 'Sweat and make-up gather there and eat the varnish.',
    zone: 'chin-rest',
    tool: 'second cloth',
    for: { families: CHIN_HELD },
    after: ['wipe-hands'],
    due: { everyDays: 7 },
  },
  {
    id: 'under-tailpiece',
    title: 'Under the tailpiece',
    how: ['Draw the dry cloth through, from one side to the other.', 'Then under the end of the fingerboard.'],
    why: 'Rosin settles where no one sees it, and hardens.',
    zone: 'under-tailpiece',
    tool: 'dry cloth',
    for: { families: BOWED },
    after: ['wipe-rosin'],
    due: { everyDays: 14 },
  },
  {
    id: 'weekly-clean',
    title: 'Cleaner on the top',
    how: ['A little on the cloth, never on the wood. Small circles where it is dull.', 'Buff with a clean part.'],
    why: 'Once a week keeps rosin from ever hardening.',
    zone: 'rosin-zones',
    tool: 'cleaner on a cloth',
    caution: 'Never on neck, fingerboard or strings. Try a new cleaner first where it does not show.',
    adult: true,
    for: { families: BOWED, school: { cleaner: 'B' }, finish: ['varnish', 'hard', 'lacquer'] },
    after: ['wipe-rosin', 'wipe-hands', 'under-tailpiece'],
    due: { everyDays: 7 },
  },
  {
    id: 'weekly-clean',
    title: 'The whole body once',
    how: [
      'The dry cloth over top, sides and back, and round the bridge.',
      'Lightly: dust scratches when it is pressed.',
    ],
    why: 'What lies on a finish for weeks stays in it.',
    zone: 'whole',
    tool: 'dry cloth',
    for: { families: ['guitar'] },
    after: ['wipe-hands'],
    due: { everyDays: 7 },
  },
  {
    ...FRETBOARD,
    caution: 'A bridge held by the strings alone falls when all are off: change one at a time.',
    for: { families: ['guitar'], floatingBridge: true },
  },
  { ...FRETBOARD, for: { families: ['guitar'], floatingBridge: false } },
  {
    id: 'humidifier',
    title: 'Look at the humidifier',
    how: ['Is it dry? Refill it as its maker says, and wipe it so that nothing drips.', 'Back in its place.'],
    why: 'A dry humidifier does nothing, and wood does not complain until it cracks.',
    zone: 'whole',
    tool: 'hands',
    for: { humidifier: true, case: ['hard', 'soft'] },
    after: [...WIPES],
    due: { everyDays: 7 },
  },
];
