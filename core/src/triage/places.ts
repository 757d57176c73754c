import { isLookedAt, recordOf, type Family, type LookId, type Zone } from '../instruments';
import type { CauseId } from './causes';
import type { QuestionId, SymptomId } from './signs';

/** Where on the plate a symptom shows; the whole where it is nowhere in particular. */
const OF_SYMPTOMS: Readonly<Partial<Record<SymptomId, Zone>>> = {
  'no-sound': 'bow-hair',
  airy: 'bow-hair',
  gritty: 'bow-hair',
  squeals: 'bow-hair',
  whistles: 'strings',
  dull: 'strings',
  false: 'strings',
  hollow: 'bridge',
  'buzz-one': 'strings',
  'creaks-tuning': 'pegs',
  'pegs-slip': 'pegs',
  'pegs-stuck': 'pegs',
  'tuner-slips': 'pegs',
  'flat-always': 'pegs',
  'breaks-same': 'strings',
  'bridge-off': 'bridge',
  'will-not-tighten': 'bow-screw',
  'tight-at-rest': 'bow-screw',
  'stick-off': 'bow-stick',
  'hair-black': 'bow-hair',
  'hair-breaks': 'bow-hair',
  'fine-tuner-end': 'under-tailpiece',
  'endpin-slides': 'endpin',
  'fret-ends': 'fretboard',
  'strings-low': 'fretboard',
  'strings-high': 'fretboard',
  seized: 'bridge',
  'action-buzz': 'action',
  'sharpened-out': 'action',
  'bow-feels': 'bow-stick',
};

/** Where a look is taken. */
const OF_QUESTIONS: Readonly<Partial<Record<QuestionId, Zone>>> = {
  'hair-white': 'bow-hair',
  'frog-black': 'bow-hair',
  gap: 'bow-stick',
  'slips-where': 'bow-hair',
  'wiped-strings': 'strings',
  'tapped-stick': 'bow-stick',
  'nail-along': 'strings',
  post: 'bridge',
  'bridge-side': 'bridge',
  'bridge-place': 'bridge',
  'bridge-feet': 'bridge',
  'chin-rest-touched': 'chin-rest',
  'tuners-touched': 'under-tailpiece',
  'tailpiece-touched': 'under-tailpiece',
  'endpin-touched': 'endpin',
  'mute-off': 'bridge',
  'rest-off': 'shoulder-rest',
  'hardware-touched': 'pegs',
  'other-string': 'strings',
  'neck-root': 'hand-zones',
  'board-firm': 'fretboard',
  winding: 'pegs',
  'peg-mark': 'pegs',
  'broke-where': 'strings',
  groove: 'bridge',
  graphite: 'bridge',
  'tuner-travel': 'under-tailpiece',
  'turns-to-gap': 'bow-screw',
  'frog-moves': 'bow-screw',
  'stick-sighted': 'bow-stick',
  'bow-tip': 'bow-stick',
  'grip-held': 'bow-stick',
  'band-seen': 'bow-hair',
  'string-height': 'fretboard',
  'endpin-screw': 'endpin',
  'rest-way': 'shoulder-rest',
  relief: 'fretboard',
  'frets-pressed': 'fretboard',
  'fret-finger': 'fretboard',
  'bridge-paper': 'bridge',
  'tuner-held': 'pegs',
  'screws-tried': 'bridge',
  'levers-watched': 'action',
  'action-brushed': 'action',
  'sharpened-each': 'action',
  'knot-seen': 'strings',
};

const onPlate = (zone: Zone | undefined, family: Family): Zone =>
  zone !== undefined && recordOf(family).zones.includes(zone) ? zone : 'whole';

/** Where on an instrument’s plate a symptom shows. */
export const zoneOfSymptom = (id: SymptomId, family: Family): Zone => onPlate(OF_SYMPTOMS[id], family);
/** Where on an instrument’s plate a look is taken. */
export const zoneOfQuestion = (id: QuestionId, family: Family): Zone => onPlate(OF_QUESTIONS[id], family);

/** Under which look a cause goes on record as found, so that it joins the next visit. */
const LOOKS: Readonly<Partial<Record<CauseId, LookId>>> = {
  'hair-worn': 'hair-band',
  'hair-brittle': 'hair-count',
  'screw-worn': 'hair-length',
  'frog-stuck': 'hair-length',
  'stick-warped': 'stick',
  'camber-lost': 'stick',
  'tip-cracked': 'stick',
  'grip-loose': 'stick',
  'groove-sharp': 'grooves',
  'peg-misfit': 'pegs',
  'post-fallen': 'post',
  'post-moved': 'post',
  'bridge-warped': 'bridge-lean',
  'bridge-feet': 'bridge-place',
  'seam-open': 'seams',
  'soundboard-opens': 'soundboard',
  'crack-top': 'outside',
  'crack-at-post': 'outside',
  'neck-opening': 'neck',
  'board-loose': 'neck',
  'got-wet': 'outside',
  'tailpiece-touches': 'tailpiece',
  'top-sunk': 'bridge-glued',
  'top-swollen': 'bridge-glued',
  'bridge-lifting': 'bridge-glued',
  'fret-high': 'action',
  'nut-low': 'grooves',
  'saddle-seized': 'action',
  'lever-loose': 'harp-action',
  'felt-worn': 'harp-action',
  'regulation-off': 'harp-tuning',
};

/** Under which look a cause is put on record as found; null where there is none on this instrument. */
export function lookOfCause(id: CauseId, family: Family): LookId | null {
  const look = LOOKS[id];
  if (look === undefined) return null;
  if (isLookedAt(look, family)) return look;
  return isLookedAt('outside', family) ? 'outside' : null;
}
