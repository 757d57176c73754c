import * as z from 'zod';
import { isBowed, type Family } from '../instruments';

/** How much a bow is played: as much as its instruments, or now and then, as a spare is. */
export const BOW_USES = ['often', 'seldom'] as const;
export type BowUse = (typeof BOW_USES)[number];

const id = z.uuid().toLowerCase();

/** What a household has said of a bow. */
export const bowSchema = z.strictObject({
  title: z.string('Give it a name.').trim().min(1, 'Give it a name.').max(60, 'A name has at most 60 characters.'),
  /** The instrument it came with, which it has its id from; null where it came by itself. */
  ownOf: id.nullable(),
  /** The instruments it is played on. */
  instrumentIds: z.array(id).max(60, 'At most 60 instruments.'),
  use: z.enum(BOW_USES),
  /** It is here no more: sold, lent away, broken. What was played with it stays on record. */
  gone: z.boolean(),
  /** What another such bow costs, in the household's currency; null or left out: nobody has said. */
  price: z
    .number('Give the price as a number.')
    .min(0, 'A price is not negative.')
    .max(1_000_000, 'At most a million.')
    .nullable()
    .optional(),
});
export type BowFacts = z.infer<typeof bowSchema>;

/** A bow of a household. Every bowed instrument came with one, said or not; its id is the instrument's. */
export interface Bow {
  id: string;
  /** null where nobody has given it a name. */
  title: string | null;
  /** The instruments it is played on, its home first. */
  instrumentIds: readonly string[];
  use: BowUse;
}

/** A bow as it was said, with the id of its card. */
export type SaidBow = BowFacts & { id: string };

/** The id a bow goes by in the log. */
export const bowIdOf = ({ id: cardId, ownOf }: Pick<SaidBow, 'id' | 'ownOf'>): string => ownOf ?? cardId;

/**
 * A household's bows that are here: those that instruments came with, then those that came by themselves. One that is played
 * on nothing any more is left out.
 */
export function bowsOf(instruments: readonly { id: string; family: Family }[], said: readonly SaidBow[]): Bow[] {
  const bowed = instruments.filter(({ family }) => isBowed(family)).map(({ id: each }) => each);
  const ids = new Set([...bowed, ...said.map(bowIdOf)]);
  return [...ids].flatMap((bowId): Bow[] => {
    const facts = said.findLast((each) => bowIdOf(each) === bowId);
    if (!facts) return [{ id: bowId, title: null, instrumentIds: [bowId], use: 'often' }];
    const played = facts.instrumentIds.filter((each) => bowed.includes(each));
    // Its own instrument is its home, as long as it is played there at all.
    const home = played.includes(bowId) ? [bowId] : [];
    const instrumentIds = [...home, ...played.filter((each) => each !== bowId)];
    if (facts.gone || instrumentIds.length === 0) return [];
    return [{ id: bowId, title: facts.title, instrumentIds, use: facts.use }];
  });
}

/** Whether a bow with this id is, or was, one of the household's. */
export function isBowKnown(
  bowId: string,
  instruments: readonly { id: string; family: Family }[],
  said: readonly SaidBow[],
): boolean {
  return (
    instruments.some(({ id: each, family }) => each === bowId && isBowed(family)) ||
    said.some((each) => bowIdOf(each) === bowId)
  );
}

/** The bows an instrument is played with: its own first, then the others. */
export function bowsFor(instrumentId: string, bows: readonly Bow[]): Bow[] {
  const played = bows.filter(({ instrumentIds }) => instrumentIds.includes(instrumentId));
  return [
    ...played.filter(({ id: each }) => each === instrumentId),
    ...played.filter(({ id: each }) => each !== instrumentId),
  ];
}
