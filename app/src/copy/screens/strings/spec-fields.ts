/** What features/strings/SpecFields.tsx says. */
export const copy = {
  inMmOrIn: 'In mm, or in inches as .012. Leave it empty where the packet says none.',
  tensionOnThePacket: (unit: string) => `Tension on the packet, in ${unit}`,
  itComesBeforeThe: 'It comes before the gauge.',
  atALengthOf: (unit: string) => `At a length of, in ${unit}`,
  emptyItsOwn: 'Empty: its own.',
  atAPitchOf: 'At a pitch of, in Hz',
  orItsWeightIn: 'Or its weight, in g per metre',
} as const;

export const NUMBER_WANTED = 'Write a number, like 0.26.';
