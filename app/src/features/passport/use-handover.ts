import type { Handover, Instrument, Offer } from '@tembrin/contract';
import { router, useLocalSearchParams } from 'expo-router';
import { useEffect, useState } from 'react';
import { call, sentenceOf } from '@/state/api';
import { readAnew, refreshHousehold } from '@/state/household';
import { notify } from '@/state/notice';
import { takeWanted } from '@/state/wanted';
import { copy } from '@/copy/screens/kit/give';
import { linkOut } from '../visits/link-out';
import { useAsking } from '../asking';

/** How often it is asked whether the other side has said or done something, ms. From memory. */
const ASKED_MS = 5000;

/** Asks at once, and again and again while the page is open. */
function useRepeatedly(work: () => void, on: boolean): void {
  useEffect(() => {
    if (!on) return undefined;
    work();
    const timer = setInterval(work, ASKED_MS);
    return () => clearInterval(timer);
    // What it does stays the same while the page is open.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [on]);
}

/** An instrument that is handed over: the offer, who would take it, and handing it over. */
export function useGive(instrument: Instrument) {
  const { busy, ask } = useAsking();
  const [offers, setOffers] = useState<readonly Handover[] | null>(null);
  const read = async () => setOffers((await call('readHandovers')).handovers);
  useRepeatedly(() => void read().catch(() => undefined), true);
  const offer = offers?.findLast(({ instrumentId, key }) => instrumentId === instrument.id && key !== null) ?? null;
  const url = offer && new URL(`/kit/take?key=${offer.key}`, window.location.origin).href;
  return {
    known: offers !== null,
    offer,
    ...linkOut(url, ask, copy.copied),
    busy,
    make: () =>
      void ask(async () => {
        await call('offerInstrument', { body: { instrumentId: instrument.id } });
        await read();
      }),
    withdraw: () =>
      void ask(async () => {
        await call('withdrawOffer', { params: { id: offer!.id } });
        await read();
        notify(copy.withdrawn);
      }),
    complete: () =>
      void ask(async () => {
        const { taker } = await call('completeHandover', { params: { id: offer!.id } });
        await refreshHousehold();
        router.replace('/kit');
        notify(copy.done(taker ?? ''));
      }),
  };
}
export type GiveModel = ReturnType<typeof useGive>;

/** An instrument that is offered to this household. */
export function useTake() {
  const { key } = useLocalSearchParams<{ key?: string }>();
  const { busy, ask } = useAsking();
  const [offer, setOffer] = useState<Offer | null>(null);
  const [problem, setProblem] = useState<string | null>(key ? null : copy.noKey);
  const arrived = offer?.done ?? false;
  const look = async () => {
    try {
      const seen = await call('lookAtOffer', { body: { key: key! } });
      // What has come is on the server: this device reads it before it says so.
      if (seen.done) await readAnew();
      setOffer(seen);
      setProblem(null);
    } catch (error) {
      setProblem(sentenceOf(error));
    }
  };
  // Here already: no sign-in leads here once more.
  useEffect(() => void takeWanted('/kit'), []);
  useRepeatedly(() => void look(), Boolean(key) && !arrived);
  return {
    offer,
    problem,
    busy,
    take: () => void ask(async () => setOffer(await call('takeOffer', { body: { key: key! } }))),
    open: () => router.replace({ pathname: '/kit/[id]', params: { id: offer!.id } }),
  };
}
