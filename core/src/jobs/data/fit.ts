import { recordOf } from '../../instruments';
import type { JobData, WorkContext, WorkStep } from '../work';

/** Chin-held: the arm tells the size, the rest the heights [handbook 10; 1]. */
function underChin({ facts: { setUp, family } }: WorkContext): WorkStep[] {
  const rest = setUp.shoulderRest !== 'none';
  return [
    {
      id: 'arm',
      title: family === 'violin' ? 'Measure the arm' : 'Look at the arm',
      how:
        family === 'violin'
          ? ['Arm out to the side, palm up. A tape from the neck to the middle of the palm.']
          : ['The scroll held out under the chin: the hand comes round it with the elbow bent. A viola’s size is chosen by the teacher.'],
      picture: 'arm',
      ...(family === 'violin' && { figures: ['arm-length'] as const }),
    },
    {
      id: 'chin',
      title: 'The chin rest under the chin',
      how: ['Head upright, jaw on the cup, no turning of the neck to reach it. Another height is a teacher’s advice, and a workshop’s work.'],
      picture: 'none',
      zone: 'chin-rest',
    },
    ...(rest
      ? [
          {
            id: 'way',
            title: 'The rest the right way round',
            how: ['Its narrow end towards the chin-rest side, the curve over the shoulder. It follows the collarbone.'],
            picture: 'none',
            zone: 'shoulder-rest',
          } as const,
          {
            id: 'heights',
            title: 'The heights of its feet',
            how: ['Head upright, chin let down onto the chin rest: no gap to press into, no shoulder drawn up. Then read both.'],
            picture: 'none',
            zone: 'shoulder-rest',
            figures: ['rest-left', 'rest-right', 'rest-position'],
          } as const,
        ]
      : []),
    {
      id: 'both',
      title: 'Play a minute and feel',
      how: ['Wrist straight, neck free, shoulder down. What pinches is shown to the teacher, with these figures.'],
      picture: 'none',
      zone: 'whole',
    },
  ];
}

/** Stood on a pin: fitted at ear, heart and knees [handbook 10]. */
function onPin({ facts: { family, setUp } }: WorkContext): WorkStep[] {
  return [
    {
      id: 'seat',
      title: family === 'bass' ? 'Stand or sit as you play' : 'Sit as you play',
      how: [
        family === 'bass'
          ? 'Standing: the nut near the eyebrow. On a stool: one foot on its rung, the back upright.'
          : 'Front of the chair, both feet flat, thighs level.',
      ],
      picture: 'seated',
    },
    ...(family === 'cello'
      ? ([
          {
            id: 'ear',
            title: 'Scroll by the ear',
            how: ['Beside the left ear, not against it; the lowest peg behind it.'],
            picture: 'seated',
          },
          {
            id: 'heart',
            title: 'Upper edge on the breastbone',
            how: ['Where the ribs meet. Lower, and the pin is too short or the cello too small.'],
            picture: 'seated',
          },
          {
            id: 'knees',
            title: 'Knees below the corners',
            how: ['The lower corners just above the knees. Corners at the thigh: it was outgrown, or the pin is too short.'],
            picture: 'seated',
          },
        ] satisfies WorkStep[])
      : []),
    ...(family === 'bass'
      ? ([
          {
            id: 'hand',
            title: 'The bow hand hangs',
            how: ['With the arm let down it meets the strings between bridge and board. Bent down for it, the pin is too short.'],
            picture: 'seated',
          },
        ] satisfies WorkStep[])
      : []),
    ...(setUp.endpin
      ? [
          {
            id: 'pin',
            title: 'The screw tight, the length read',
            how: ['From the collar to the tip. More than 5 cm since the last time: look whether the next size fits.'],
            picture: 'none',
            zone: 'endpin',
            figures: ['endpin-length'],
          } as const,
        ]
      : []),
    {
      id: 'both',
      title: 'Play a minute and feel',
      how: ['Back straight, shoulders down, the bow arm free. What pinches is shown to the teacher, with this figure.'],
      picture: 'none',
      zone: 'whole',
    },
  ];
}

/** Rest, endpin and size fitted to who plays. */
export const FIT: JobData = {
  id: 'fit',
  text: 'Arm, rest, ear, heart and knees; the next size and when.',
  minutes: 8,
  who: 'player',
  for: { families: ['violin', 'viola', 'cello', 'bass'] },
  mends: ['heights-off', 'rest-turned', 'endpin-slips'],
  compose: (context) => (recordOf(context.facts.family).takes.chin ? underChin(context) : onPin(context)),
};
