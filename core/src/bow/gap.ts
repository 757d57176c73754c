import type { Family } from '../instruments';

export type BowedFamily = Extract<Family, 'violin' | 'viola' | 'cello' | 'bass'>;

/** The gap to look for between stick and hair at the narrowest point, mid-bow, in mm [handbook 1.4]. */
export interface GapRange {
  least: number;
  usual: number;
  most: number;
  /** What people hold against it. */
  gauge: string;
}

export const BOW_GAP: Readonly<Record<BowedFamily, GapRange>> = {
  violin: { least: 6, usual: 7, most: 9, gauge: 'a pencil' },
  viola: { least: 6, usual: 7, most: 9, gauge: 'a pencil' },
  cello: { least: 9, usual: 10, most: 12, gauge: 'a thick pencil' },
  bass: { least: 12, usual: 13, most: 16, gauge: 'your teacher’s eye: it starts wider, so it ends wider' },
};

/** A bow as a slender curved beam with a band of hair across it. Lengths in mm, forces in N. */
interface BowModel {
  /** From head to frog. */
  length: number;
  /** Stick above hair at head and frog: the gap a straight stick would have. */
  height: number;
  /** Inward curve of the stick when slack. */
  camber: number;
  /** Force at which so slender a stick buckles: π²·EI/length². */
  buckling: number;
  /** Force that would double the length of the hair: stiffness × cross-section of the band. */
  hair: number;
  /** How far the frog moves in one turn of the screw. */
  pitch: number;
  /** Turns until the hair, lying together, begins to pull. */
  takeUp: number;
  /** Turns from there back to where the screw leaves its eye. */
  thread: number;
}

/** From memory: dimensions of ordinary bows; stiffnesses chosen so that six to eight turns from slack give the gap. */
const BOWS: Readonly<Record<BowedFamily, BowModel>> = {
  violin: { length: 650, height: 18, camber: 16.5, buckling: 68, hair: 20_000, pitch: 0.5, takeUp: 4, thread: 5 },
  viola: { length: 640, height: 18.5, camber: 17, buckling: 76, hair: 22_000, pitch: 0.5, takeUp: 4, thread: 5 },
  cello: { length: 600, height: 24, camber: 20.5, buckling: 110, hair: 26_000, pitch: 0.6, takeUp: 4, thread: 5 },
  bass: { length: 550, height: 27, camber: 21, buckling: 150, hair: 30_000, pitch: 0.65, takeUp: 4, thread: 5 },
};

export type BowState = 'leaving' | 'slack' | 'right' | 'tight' | 'straight';

export interface BowAt {
  turns: number;
  /** Between stick and hair mid-bow, mm. */
  gapMm: number;
  /** Inward curve of the stick, mm; 0 when straight, negative when it bends outwards. */
  camberMm: number;
  /** Pull of the hair, N. */
  pullN: number;
  /** How far the hair still hangs loose, mm of its length; 0 once it pulls. */
  looseMm: number;
  state: BowState;
}

/** Camber of the stick under a pull: the moment of the hair's pull against the bending of the beam. */
function camberUnder({ camber, buckling, height }: BowModel, pullN: number): number {
  return (camber * buckling - (4 / Math.PI) * height * pullN) / (buckling - pullN);
}

/** How far the frog must have moved for a pull: the hair stretches, and the stick's ends come together as it straightens. */
function travelFor(model: BowModel, pullN: number): number {
  const { length, height, camber, hair } = model;
  const now = camberUnder(model, pullN);
  const turned = 2 * height * (Math.PI / length) * (camber - now);
  const lengthened = (Math.PI ** 2 / (4 * length)) * (camber ** 2 - now ** 2);
  return (pullN * length) / hair + turned - lengthened;
}

/** Turns from slack at which the stick is straight: too tight. */
export function straightAtTurns(family: BowedFamily, stretchTurns = 0): number {
  const model = BOWS[family];
  const pull = (model.camber * model.buckling * Math.PI) / (4 * model.height);
  return model.takeUp + stretchTurns + travelFor(model, pull) / model.pitch;
}

/** Turns back from slack at which the screw leaves its eye and the frog drops. Negative. */
export function leavesAtTurns(family: BowedFamily): number {
  return -BOWS[family].thread;
}

/**
 * A bow after so many turns of the screw: a curved beam pulled by its hair, solved for the pull that fits the travel.
 * The gap never falls as turns are added. A model for teaching, not a measurement of any bow.
 * @param turns from slack (0: the hair just lies together); negative is backed off further
 * @param stretchTurns turns lost to hair that has stretched; 0 for new hair
 */
export function bowAt(family: BowedFamily, turns: number, stretchTurns = 0): BowAt {
  const model = BOWS[family];
  const travel = (turns - model.takeUp - stretchTurns) * model.pitch;
  let pullN = 0;
  if (travel > 0) {
    let [low, high] = [0, 0.97 * model.buckling];
    for (let halving = 0; halving < 50; halving++) {
      const middle = (low + high) / 2;
      if (travelFor(model, middle) < travel) low = middle;
      else high = middle;
    }
    pullN = (low + high) / 2;
  }
  const camberMm = camberUnder(model, pullN);
  const gapMm = model.height - camberMm;
  return {
    turns,
    gapMm,
    camberMm,
    pullN,
    looseMm: Math.max(0, -travel),
    state: stateOf(family, turns, gapMm, camberMm),
  };
}

function stateOf(family: BowedFamily, turns: number, gapMm: number, camberMm: number): BowState {
  const { least, most } = BOW_GAP[family];
  if (turns <= leavesAtTurns(family) + 1.5) return 'leaving';
  if (gapMm < least) return 'slack';
  if (gapMm <= most) return 'right';
  return camberMm > 1e-6 ? 'tight' : 'straight';
}
