import { BOWED, ON_ENDPIN, CHIN_HELD } from '../instruments';
import type { StepData } from './step';

export const PACKING_IDS = [
  'pack-bow',
  'pack-rest',
  'pack-endpin',
  'pack-loose',
  'pack-latches',
  'pack-carry',
  'pack-car',
] as const;
export type PackingStepId = (typeof PACKING_IDS)[number];

/** What is looked at before an instrument leaves home [handbook 2.7, 3]. */
export const PACKING_STEPS: readonly StepData<PackingStepId>[] = [
  {
    id: 'pack-bow',
    title: 'Bow slack and in its holder',
    how: ['Tip in first, hair clear, spinner or toggle turned.'],
    why: 'A bow that swings hits the top.',
    zone: 'bow-hair',
    tool: 'hands',
    for: { families: BOWED, case: ['hard'] },
  },
  {
    id: 'pack-bow',
    title: 'Bow slack, in last, tip down',
    how: ['In its own pocket, never beside the strings.'],
    why: 'The bow is the first thing a soft case crushes.',
    zone: 'bow-hair',
    tool: 'hands',
    for: { families: BOWED, case: ['soft'] },
  },
  {
    id: 'pack-rest',
    title: 'Rest off and in its pocket',
    how: ['Not under the lid.'],
    why: 'A closed lid over it presses the bridge into the top.',
    zone: 'shoulder-rest',
    tool: 'hands',
    for: { families: CHIN_HELD, rest: ['rest', 'pad'] },
  },
  {
    id: 'pack-endpin',
    title: 'Endpin in, screw tight',
    how: ['Push it: it must not come out by itself.'],
    why: 'A pin that slides out tears the case.',
    zone: 'endpin',
    tool: 'hands',
    for: { families: ON_ENDPIN, endpin: true },
  },
  {
    id: 'pack-loose',
    title: 'Nothing loose inside',
    how: ['Pencils, metronome, music, rosin: in pockets, or in a bag outside.'],
    why: 'On a journey everything loose lands on the top.',
    zone: 'whole',
    tool: 'hands',
    for: { case: ['hard', 'soft'] },
    after: ['pack-bow', 'pack-rest'],
  },
  {
    id: 'pack-latches',
    title: 'Every latch and zip fastened',
    how: ['Lift it a hand’s breadth first, and listen.'],
    why: 'A lid that opens on the stairs drops everything.',
    zone: 'whole',
    tool: 'hands',
    for: { case: ['hard', 'soft'] },
    after: ['pack-loose', 'pack-endpin'],
  },
  {
    id: 'pack-carry',
    title: 'Two people carry it',
    how: ['Column up, over thresholds slowly, lying on its back in the car.'],
    why: 'Harps break where they are lifted by one.',
    zone: 'whole',
    tool: 'hands',
    for: { families: ['harp'] },
  },
  {
    id: 'pack-car',
    title: 'Not left in a parked car',
    how: [
      'Not in the boot, not in the sun, not by the heater: it comes along when you get out.',
      'After a cold way, leave the case closed until it has warmed through.',
    ],
    why: 'Heat softens glue and varnish within the hour; cold wood sweats in a warm room.',
    zone: 'whole',
    tool: 'none',
    after: ['pack-latches', 'pack-carry'],
  },
];
