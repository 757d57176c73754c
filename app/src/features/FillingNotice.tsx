import { fillingWords } from '@/copy/screens/filling';
import { useAir } from '@/state/air';
import { useCardStore } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { Banner } from '@/ui/Banner';

/** Says when a household nears what it may keep, before it is refused anything. */
export function FillingNotice() {
  const instruments = useHousehold((state) => state.household?.instruments.length ?? 0);
  const events = useLog((state) => Object.values(state.events).reduce((sum, own) => sum + own.length, 0));
  const cards = useCardStore((state) => state.cards?.length ?? 0);
  const air = useAir((state) => state.air);
  const words = fillingWords({
    instruments,
    events,
    cards,
    places: air?.places.length ?? 0,
    sensors: air?.sensors.length ?? 0,
    readings: air?.sensors.reduce((sum, { readings }) => sum + readings, 0) ?? 0,
  });
  return words === null ? null : <Banner tone="soon" text={words} />;
}
