import type { Side } from '@tembrin/core/schools';

/** What the page of somebody's own ways says. */
export const copy = {
  title: (name: string) => `${name}: schools and hands`,
  whatItIs: (name: string) =>
    `What ${name} plays goes by this before the household’s; what is chosen for one instrument comes before both. At the stand it holds while ${name} is there.`,
  hands: 'Hands',
  handsHint: 'They tell how long strings last. Where several play one, each counts by how much they play.',
  unsaid: 'Not said',
  asTheHousehold: (side: Side) => `As the household: ${side}`,
} as const;
