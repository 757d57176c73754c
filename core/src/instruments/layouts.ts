import type { Note } from '../pitch';
import type { InstrumentFacts } from './facts';
import { variantOf } from './families';
import type { Built, StringLayout } from './family';

type Strung = Pick<InstrumentFacts, 'family' | 'kind' | 'size' | 'stringCount' | 'stringing' | 'setUp'>;

/** What an instrument's lengths follow. */
export function builtOf({ size, setUp }: Pick<InstrumentFacts, 'size' | 'setUp'>): Built {
  return { size, bodyMm: setUp.bodyMm };
}

/** Notes of the open strings, lowest first: the player's own, else as so many strings usually are. */
export function notesOf({
  stringing,
  stringCount,
  ...kind
}: Pick<Strung, 'family' | 'kind' | 'stringCount' | 'stringing'>): Note[] {
  const own = stringing.tuning;
  return own?.length === stringCount ? own : variantOf(kind).tuning(stringCount);
}

const same = (some: readonly Note[], others: readonly Note[]) =>
  some.length === others.length && some.every((note, at) => note === others[at]);

/**
 * Which of the layouts of its kind an instrument is strung in; null where it is none of them. Two of the same notes are
 * told apart by whether a string has a length of its own.
 */
export function layoutOf(facts: Pick<Strung, 'family' | 'kind' | 'stringCount' | 'stringing'>): StringLayout | null {
  const notes = notesOf(facts);
  const ownLengths = facts.stringing.lengthsMm?.some((length) => length !== null) ?? false;
  const alike = variantOf(facts).layouts.filter((layout) => same(layout.notes, notes));
  return (
    alike.find(({ longer }) => (longer !== undefined) === ownLengths) ?? alike.find(({ longer }) => !longer) ?? null
  );
}

/**
 * The facts of an instrument strung in another layout: its strings, their notes and lengths; what was measured before was of
 * other strings.
 */
export function withLayout<F extends Strung>(facts: F, layout: StringLayout): F {
  const { notes, lengthMm = null, longer } = layout;
  const variant = variantOf(facts);
  const usual = (note: Note) => lengthMm ?? variant.lengthMm(builtOf(facts), note);
  return {
    ...facts,
    stringCount: notes.length,
    stringing: {
      ...facts.stringing,
      tuning: same(variant.tuning(notes.length), notes) ? null : [...notes],
      lengthMm,
      lengthsMm: longer
        ? notes.map((note, at) => (longer[at] === 1 ? null : Math.round(usual(note) * longer[at]!)))
        : null,
    },
  };
}
