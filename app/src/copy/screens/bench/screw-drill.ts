import { measureWords, type LengthUnit } from '@/copy/measures';

/** What features/bench/ScrewDrill.tsx says. */
export const copy = {
  tightenIt: 'Tighten it for playing.',
  makeItRight: 'Somebody left it like this. Make it right for playing.',
  slackenIt: 'Playing is over. Slacken it for the case.',
  stopTheScrewIs: 'Stop: the screw is about to leave its eye. The frog would drop and the ribbon be ruined.',
  theHairLiesLoose: 'The hair lies loose.',
  theHairPullsBut: 'The hair pulls, but the stick would touch it in playing.',
  roomForAPencil: 'Room for a pencil, and the stick keeps its inward curve.',
  widerThanTheGauge: 'Wider than the gauge: the curve is going out of the stick.',
  itBendsOutwardsBack: 'It bends outwards: back off at once.',
  theStickIsStraight: 'The stick is straight: too tight.',
  itIsRight: 'It is right',
  thatIsRight: 'That is right',
  theCircleIsAcross: (usual: number, lengths: LengthUnit) =>
    `The circle is ${measureWords('bow-gap', usual, lengths)} across: the gauge for the gap. Heights are drawn five times.`,
  theGapIsFor: ({
    told,
    gap,
    narrowest,
    lengths,
    most,
  }: {
    told: boolean;
    gap: string;
    narrowest: number;
    lengths: LengthUnit;
    most: number;
  }) =>
    `${told ? 'Right' : 'Not yet'}: the gap is ${gap}; for playing it is ${measureWords('bow-gap', narrowest, lengths)} to ${measureWords('bow-gap', most, lengths)}, for the case the hair just rests.`,
} as const;
