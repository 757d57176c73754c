/** The colours of the workshop. Every pair of text and ground used keeps a contrast of at least 4.5 to 1. */
export interface Palette {
  /** Behind everything: spruce by day, the velvet of an open case by night. */
  ground: string;
  /** What lies on it: maple. */
  surface: string;
  /** Text: ebony. */
  text: string;
  /** Text of second rank. */
  quiet: string;
  /** Hairlines: horsehair. */
  line: string;
  /** Edges of controls, three to one against the ground. */
  edge: string;
  /** The one accent: varnish. */
  accent: string;
  onAccent: string;
  /** Varnish as a tint behind something chosen. */
  accentTint: string;
  well: string;
  soon: string;
  now: string;
  /** Woods of the plate. */
  wood: string;
  woodDark: string;
  string: string;
  /** Bow sticks, pegs and pins: dark wood that stands before the ground. */
  stick: string;
  lit: string;
  /** Fresh rosin dust. */
  speck: string;
  /** Velvet inside a drawn case. */
  lining: string;
  scrim: string;
  /** Over what a sheet stands beside: it stays readable. */
  veil: string;
}

export const DAY: Palette = {
  ground: '#F5EFE3',
  surface: '#FFFBF4',
  text: '#221C18',
  quiet: '#63564A',
  line: '#D9CDB8',
  edge: '#8F7F69',
  accent: '#A4501E',
  onAccent: '#FFFBF4',
  accentTint: '#F1DFCB',
  well: '#2E6B5E',
  soon: '#8A5600',
  now: '#9E2A2B',
  wood: '#E3BF8B',
  woodDark: '#4A3528',
  string: '#FFFBF4',
  stick: '#5E3219',
  lit: '#F7D774',
  speck: '#FFFBF4',
  lining: '#2E6B5E',
  scrim: 'rgba(34, 28, 24, 0.45)',
  veil: 'rgba(34, 28, 24, 0.12)',
};

export const NIGHT: Palette = {
  ground: '#14261F',
  surface: '#1B3229',
  text: '#F3E9D8',
  quiet: '#BFB7A3',
  line: '#34493E',
  edge: '#84937F',
  accent: '#E2935A',
  onAccent: '#221208',
  accentTint: '#3B3626',
  well: '#86C9B4',
  soon: '#E8B45A',
  now: '#F2938C',
  wood: '#A9773F',
  woodDark: '#1A100A',
  string: '#F3E9D8',
  stick: '#C58B5A',
  lit: '#F3CB5B',
  speck: '#F3E9D8',
  lining: '#2C5045',
  scrim: 'rgba(4, 10, 8, 0.6)',
  veil: 'rgba(4, 10, 8, 0.25)',
};
