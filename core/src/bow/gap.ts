import { firstReaching } from '../maths';
import { recordOf, type BowedFamily, type BowModel, type GapRange } from '../instruments';

/** The gap to look for on this family's bow, mm [handbook 1]. */
export function bowGap(family: BowedFamily): GapRange {
  return bowOf(family).gap;
}

const bowOf = (family: BowedFamily) => recordOf(family).bow!;

/** How nearly the pull is found, as a share of the most there can be. */
const PULL_WIDTH = 1e-12;

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

/**
 * Turns from slack at which the stick is straight: too tight.
 * @example straightAtTurns('violin') // 10.86
 */
export function straightAtTurns(family: BowedFamily, stretchTurns = 0): number {
  const { model } = bowOf(family);
  const pull = (model.camber * model.buckling * Math.PI) / (4 * model.height);
  return model.takeUp + stretchTurns + travelFor(model, pull) / model.pitch;
}

/** Turns back from slack at which the screw leaves its eye and the frog drops. Negative. */
export function leavesAtTurns(family: BowedFamily): number {
  return -bowOf(family).model.thread;
}

/**
 * A bow after so many turns of the screw: a curved beam pulled by its hair, solved for the pull that fits the travel.
 * The gap never falls as turns are added. A model for teaching, not a measurement of any bow.
 * @param turns from slack (0: the hair just lies together); negative is backed off further
 * @param stretchTurns turns lost to hair that has stretched; 0 for new hair
 */
export function bowAt(family: BowedFamily, turns: number, stretchTurns = 0): BowAt {
  const { model } = bowOf(family);
  const travel = (turns - model.takeUp - stretchTurns) * model.pitch;
  const most = 0.97 * model.buckling;
  const pullN = travel <= 0 ? 0 : firstReaching((pull) => travelFor(model, pull), travel, 0, most, most * PULL_WIDTH);
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
  const { least, most } = bowGap(family);
  if (turns <= leavesAtTurns(family) + 1.5) return 'leaving';
  if (gapMm < least) return 'slack';
  if (gapMm <= most) return 'right';
  return camberMm > 1e-6 ? 'tight' : 'straight';
}
