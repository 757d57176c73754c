import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { useCards } from '@/state/cards';
import { act } from '@/state/actions';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/assessments';
import { noteNames } from '@/copy/strings';
import { useSetChoices, useSparesFor } from './sets';
import { brokenVerdict, settleDays } from '@tembrin/core/strings';
import { nextPerformance } from '@tembrin/core/year';
import { stringNames } from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/strings/broken';

/** The verdict on a broken string, and what follows from it. */
export function useBroken(instrument: Instrument) {
  const { timeZone } = useHousehold((state) => state.household)!;
  const { log, on } = useStrings(instrument);
  const occasions = useCards('occasion').map(({ facts }) => facts);
  const [position, setPosition] = useState<number | null>(null);
  const spares = useSparesFor(instrument, position ?? -1);
  const sets = useSetChoices(instrument);
  const names = noteNames(instrument);
  const short = stringNames(instrument);

  const performance = nextPerformance(occasions, instrument.id, log.nowMs, timeZone);
  const spec = position === null ? null : (on[position]?.spec ?? spares[0]?.spec ?? null);
  const settles = { one: settleDays([spec]), set: settleDays(on.map((string) => string.spec)) };
  const verdict =
    position === null
      ? null
      : brokenVerdict({
          family: instrument.family,
          others: on
            .filter((string) => string.position !== position)
            .map(({ clock }) => ({ wear: clock?.wear ?? null, daysOn: clock?.daysOn ?? null })),
          settleDays: settles,
          performanceInDays: performance?.inDays ?? null,
          spares: { one: spares.length > 0, set: sets.some(({ spareId }) => spareId !== null) },
        });
  const all = verdict?.answer === 'set';
  const change = () =>
    router.push({
      pathname: '/bench/change',
      params: { id: instrument.id, strings: all ? 'all' : String(position), why: all ? 'set' : 'broke' },
    });
  const record = async () => {
    if (position === null) return;
    const from = spares[0];
    await act(
      instrument.id,
      [
        {
          type: 'strings-fitted',
          payload: {
            strings: [position],
            reason: 'broke',
            known: true,
            specs: [from?.spec ?? on[position]?.spec ?? null],
            ...(from && { spares: [from.card.id] }),
          },
        },
      ],
      copy.isNew(short[position]!, Boolean(from)),
    );
    router.replace({ pathname: '/kit/[id]/on', params: { id: instrument.id } });
  };
  return { position, setPosition, names, short, performance, settles, verdict, all, change, record };
}

export type BrokenModel = ReturnType<typeof useBroken>;
