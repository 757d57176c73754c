import type { Instrument } from '@tembrin/contract';
import { takeBow, useBows } from '@/state/bows';
import { Choice } from '@/ui/Choice';
import { copy } from '@/copy/screens/bows';

/** Which bow is in hand, where there are several: one tap takes another. */
export function BowTonight({ instrument }: { instrument: Instrument }) {
  const bows = useBows(instrument);
  if (bows.length < 2) return null;
  // In an order that a tap does not change.
  const shown = [...bows].sort((a, b) => (a.bow.id < b.bow.id ? -1 : 1));
  return (
    <Choice
      label={copy.bowTonight}
      options={shown.map(({ bow, name }) => ({ value: bow.id, title: name }))}
      value={bows[0]!.bow.id}
      onChange={(id) =>
        takeBow(
          instrument.id,
          bows.find(({ bow }) => bow.id === id)!,
        )
      }
    />
  );
}
