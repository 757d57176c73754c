import type { Note, Temperament } from '../pitch';
import type { SchoolId, Side } from '../schools';
import type { Figure } from './figures';
import type { Core } from './string-spec';
import type { Surface } from './surfaces';
import type { WoodFacts } from './woods';
import type { Zone } from './zones';

export const CASES = ['hard', 'soft', 'none'] as const;
export type CaseKind = (typeof CASES)[number];

/** A rest with feet, a pad held by a band, or none. */
export const RESTS = ['rest', 'pad', 'none'] as const;
export type RestKind = (typeof RESTS)[number];

/** varnish: as on bowed instruments; hard: modern hard finish; lacquer: thin lacquer; valuable: old or valuable, whatever it is. */
export const FINISHES = ['varnish', 'hard', 'lacquer', 'valuable'] as const;
export type Finish = (typeof FINISHES)[number];

/** Where a life comes from: the trade's rule, or a stand-in default where the trade gives none. */
export type LifeBasis = 'trade' | 'default';

/** The two-clock life of a string: hours of playing and days on, each spent at 1 by itself. */
export interface StringLife {
  hours: number;
  days: number;
  basis: LifeBasis;
}

/** The gap to look for between stick and hair at the narrowest point, mid-bow, in mm [handbook 1]. */
export interface GapRange {
  least: number;
  usual: number;
  most: number;
  /** What people hold against it. */
  gauge: string;
}

/** A bow as a slender curved beam with a band of hair across it. Lengths in mm, forces in N. */
export interface BowModel {
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

/** A size an instrument is built in. */
export interface SizeFacts {
  /** Nut to bridge, mm. */
  lengthMm: number;
  /** Widest place of the body against the usual size; null where nobody has given it. */
  bodyScale: number | null;
}

/** Strings an instrument is built for: how many, and tuned how. A place to start from; the player's own come before it. */
export interface StringLayout {
  /** "5 strings"; with its lowest and highest note it is told from every other of its kind. */
  title: string;
  /** Lowest string first. */
  notes: readonly Note[];
  /** Nut to bridge, mm, where it is built for another length than its kind usually has. */
  lengthMm?: number;
  /** How much longer than the others a string is, lowest first; all alike when left out. */
  longer?: readonly number[];
  /** What its strings are called, lowest first, where that is neither by note nor by number. */
  names?: readonly string[];
}

/** What an instrument's lengths follow. */
export interface Built {
  /** null where size is no choice, or nobody said. */
  size: string | null;
  /** Length of the body, mm; null where it was not measured. */
  bodyMm: number | null;
}

/** An instrument that is told by the length of its body, for it has no standard size. */
export interface BodyFacts {
  /** What it is taken to be where nobody measured, mm. */
  usualMm: number;
  leastMm: number;
  mostMm: number;
  /** Lengths it is usually built in, inches: how the trade names them. */
  inches: readonly number[];
  /** Vibrating length over the length of the body. */
  stringShare: number;
}

/** What differs between the kinds of one family. */
export interface VariantRecord {
  /** "Classical guitar": what it is called by itself. */
  name: string;
  stringCount: number;
  /** Names of the strings, lowest first; null where they are counted, from the highest down. */
  stringNames: readonly string[] | null;
  /** The usual tuning of so many strings, lowest first. */
  tuning: (stringCount: number) => Note[];
  /** Named tunings besides the usual one. Common practice. */
  otherTunings: readonly { title: string; notes: readonly Note[] }[];
  /** Strings it is built with, the usual ones first. */
  layouts: readonly StringLayout[];
  /** Usual vibrating length of a string, mm. */
  lengthMm: (built: Built, note: Note) => number;
  /** What strings are made of where nobody said. */
  usualCore: Core;
  lives: Readonly<Record<Core, StringLife>>;
  /** The parts that move with the air, at the usual size; the first decides the verdict. */
  wood: readonly WoodFacts[];
}

/** Everything that Tembrin knows of a family: one file each, and nothing falls back to another's figures. */
export interface FamilyRecord<KindId extends string = string> {
  name: string;
  /** Its bow; null where it is plucked. */
  bow: { gap: GapRange; model: BowModel } | null;
  /** What it can be played and kept with. */
  takes: {
    /** Built and strung for the right hand or the left. */
    handed: boolean;
    /** Held under the chin: a chin rest, and perhaps a shoulder rest. */
    chin: boolean;
    /** Stands on an endpin. */
    endpin: boolean;
    /** Waits on a stand or a hanger between playing. */
    stand: boolean;
    /** Pedals or levers that are regulated. */
    action: boolean;
    /** Its bridge may be held by the strings alone, or not: the player says. */
    bridgeAsked: boolean;
  };
  /** How one usually is, where nothing else was said. */
  usual: { case: CaseKind; finish: Finish; floatingBridge: boolean };
  /** Named sizes, the usual one first; null where size is not a choice. */
  sizes: Readonly<Record<string, SizeFacts>> | null;
  /** How it is told by its body; null where its size has a name. */
  body: BodyFacts | null;
  /** Kinds by name, the usual one first; `usual` where there is a kind that nobody names. */
  variants: Readonly<Record<KindId, VariantRecord>>;
  strings: {
    temperament: Temperament;
    /** How a string is held: wound on a peg, on a post with a slack to measure, or knotted. */
    held: 'peg' | 'post' | 'knot';
    /** Order of change: lowest, highest, next lowest …, or from the lowest up. */
    order: 'outside-in' | 'rising';
    /** What its load rests on: what is looked at when the load changes. */
    bears: 'bridge-and-post' | 'neck' | 'soundboard';
    /** Changes of the whole load, as shares, from which it is looked at, and from which a set-up is planned. */
    load: { look: number; setUp: number };
    /** New strings are said to drift for so many days. */
    driftDays: number;
    /** Which of a set is replaced when one breaks: by wear, by brilliance lost, or each by itself. */
    renewed: 'by-wear' | 'by-brilliance' | 'each-alone';
    /** Ages at which the trade changes them, days. */
    changedAtDays: readonly number[];
    /** What the trade says, in a sentence. */
    rule: string;
  };
  /** Wooden pegs follow the seasons; geared ones and pins do not. */
  pegs: 'wooden' | 'geared' | 'pins';
  fretted: boolean;
  /** Which rungs of the residue ladder hold. */
  ladder: 'bowed' | 'guitar' | 'harp';
  surfaces: readonly Surface[];
  /** Where hands, arms and knees touch. */
  touched: string;
  /** Zones of its plate. */
  zones: readonly Zone[];
  /** Figures of its set-up sheet. */
  figures: readonly Figure[];
  /** Disagreements of the trade that matter to it, with the side it usually takes where that is not the common one. */
  schools: readonly SchoolId[];
  usualSides: Readonly<Partial<Record<SchoolId, Side>>>;
}
