import { FAMILY_FACTS, type Family, type Kind } from '../instruments/families';
import { diatonic, noteOf, type Note } from './notes';

const notes = (...names: readonly string[]): Note[] => names.map((name) => noteOf(name)!);

/** Usual tunings, lowest string first [handbook 4]. */
const TUNINGS: Readonly<Record<Exclude<Family, 'harp'>, readonly Note[]>> = {
  violin: notes('G3', 'D4', 'A4', 'E5'),
  viola: notes('C3', 'G3', 'D4', 'A4'),
  cello: notes('C2', 'G2', 'D3', 'A3'),
  bass: notes('E1', 'A1', 'D2', 'G2'),
  guitar: notes('E2', 'A2', 'D3', 'G3', 'B3', 'E4'),
};

export interface HarpLayout {
  title: string;
  kind: 'lever' | 'pedal';
  from: Note;
  to: Note;
}

const layout = (title: string, kind: HarpLayout['kind'], from: string, to: string): HarpLayout => ({
  title,
  kind,
  from: noteOf(from)!,
  to: noteOf(to)!,
});

/** Ranges harps are built in. 47 and 34 [handbook 4]; the others from memory. */
export const HARP_LAYOUTS: readonly HarpLayout[] = [
  layout('22 strings', 'lever', 'C3', 'C6'),
  layout('26 strings', 'lever', 'C3', 'G6'),
  layout('29 strings', 'lever', 'C2', 'C6'),
  layout('34 strings', 'lever', 'C2', 'A6'),
  layout('36 strings', 'lever', 'C2', 'C7'),
  layout('38 strings', 'lever', 'A1', 'C7'),
  layout('40 strings', 'pedal', 'G1', 'D7'),
  layout('46 strings', 'pedal', 'D1', 'G7'),
  layout('47 strings', 'pedal', 'C1', 'G7'),
];

export const stringsOf = ({ from, to }: Pick<HarpLayout, 'from' | 'to'>): Note[] => diatonic(from, to);

/** A named tuning of a family besides the usual one. Common practice. */
export const OTHER_TUNINGS: Readonly<Partial<Record<Family, readonly { title: string; notes: readonly Note[] }[]>>> = {
  guitar: [
    { title: 'Lowest string down a tone', notes: notes('D2', 'A2', 'D3', 'G3', 'B3', 'E4') },
    { title: 'All down a semitone', notes: notes('Eb2', 'Ab2', 'Db3', 'Gb3', 'Bb3', 'Eb4') },
    { title: 'All down a tone', notes: notes('D2', 'G2', 'C3', 'F3', 'A3', 'D4') },
    { title: 'Open G', notes: notes('D2', 'G2', 'D3', 'G3', 'B3', 'D4') },
  ],
  bass: [{ title: 'Solo tuning, a tone up', notes: notes('F#1', 'B1', 'E2', 'A2') }],
};

/**
 * The usual tuning of an instrument with so many strings, lowest first.
 * A harp of a count no layout has is taken to begin on C2, or as low as its strings allow below G7.
 */
export function usualTuning(family: Family, kind: Kind | null, stringCount: number): Note[] {
  if (family === 'harp') {
    const known = HARP_LAYOUTS.filter((each) => stringsOf(each).length === stringCount);
    const layout = known.find((each) => each.kind === kind) ?? known[0];
    if (layout) return stringsOf(layout);
    const from = stringCount > 39 ? 'C1' : 'C2';
    return diatonic(noteOf(from)!, 120).slice(0, stringCount);
  }
  const usual = TUNINGS[family];
  if (usual.length === stringCount) return [...usual];
  // More strings go on below, a fourth each (a fifth on the bowed ones); fewer leave off the lowest.
  const step = FAMILY_FACTS[family].bowed && family !== 'bass' ? 7 : 5;
  const lower = Array.from({ length: Math.max(0, stringCount - usual.length) }, (_, at) => usual[0]! - step * (at + 1));
  return [...lower.reverse(), ...usual].slice(-stringCount);
}

/** Vibrating lengths in mm by size [handbook 4, from memory; sizes not named there are from memory too]. */
const LENGTHS: Readonly<Record<Exclude<Family, 'harp'>, Readonly<Record<string, number>>>> = {
  violin: { '4/4': 328, '3/4': 308, '1/2': 286, '1/4': 254, '1/8': 224, '1/16': 200 },
  viola: { '4/4': 375, '3/4': 350, '1/2': 328, '1/4': 308 },
  cello: { '4/4': 690, '3/4': 635, '1/2': 570, '1/4': 500, '1/8': 440 },
  bass: { '4/4': 1100, '3/4': 1050, '1/2': 970, '1/4': 900 },
  guitar: { '4/4': 648, '3/4': 580, '1/2': 530 },
};

/** Lengths of harp strings by note, mm, between which it is interpolated on a log scale. From memory; a player's own measures come before them. */
const HARP_LENGTHS: readonly (readonly [Note, number])[] = [
  [24, 1480],
  [36, 1310],
  [48, 960],
  [60, 590],
  [72, 330],
  [84, 178],
  [96, 98],
  [103, 72],
];

/** Interpolates on the logarithm between anchors that rise by note; beyond the ends, the ends. */
export function alongNotes(anchors: readonly (readonly [Note, number])[], note: Note): number {
  const after = anchors.findIndex(([at]) => at >= note);
  if (after === 0) return anchors[0]![1];
  if (after < 0) return anchors.at(-1)![1];
  const [fromNote, from] = anchors[after - 1]!;
  const [toNote, to] = anchors[after]!;
  return from * Math.pow(to / from, (note - fromNote) / (toNote - fromNote));
}

/** The usual vibrating length of a string, mm. */
export function usualLengthMm(family: Family, kind: Kind | null, size: string | null, note: Note): number {
  if (family === 'harp') return Math.round(alongNotes(HARP_LENGTHS, note));
  if (family === 'guitar' && kind === 'classical' && (size === null || size === '4/4')) return 650;
  const lengths = LENGTHS[family];
  return lengths[size ?? ''] ?? Object.values(lengths)[0]!;
}
