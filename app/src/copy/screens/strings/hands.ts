import { type Sweat } from '@tembrin/core/instruments';

/** What a player's hands do to strings. */
export const SWEAT_TITLES: Readonly<Record<Sweat, string>> = {
  low: 'Dry hands',
  usual: 'Ordinary',
  corrosive: 'They tarnish strings quickly',
};
