import type { EventOf } from '../log';

type Seen = EventOf<'looked-at'>['payload'];

/** One thing that was looked at, by itself. */
export const seen = (look: Seen['look'], verdict: Seen['verdict'], more: Partial<Seen> = {}): Seen => ({
  look,
  verdict,
  overId: null,
  by: 'player',
  zone: null,
  point: null,
  figures: [],
  string: null,
  note: '',
  ...more,
});
