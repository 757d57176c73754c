import { LOOKS } from '../../instruments';
import type { LookGuide } from '../guide';
import { BODY_GUIDES } from './body';
import { BOW_GUIDES } from './bow';
import { FRET_GUIDES } from './frets';
import { HARP_GUIDES } from './harp';
import { BRIDGE_GUIDES } from './strings-and-bridge';

/** Every look in all of its wordings, in the order of the round. */
export const LOOK_GUIDES: readonly LookGuide[] = [
  ...BODY_GUIDES,
  ...BRIDGE_GUIDES,
  ...FRET_GUIDES,
  ...HARP_GUIDES,
  ...BOW_GUIDES,
].sort((a, b) => LOOKS.indexOf(a.look) - LOOKS.indexOf(b.look));
