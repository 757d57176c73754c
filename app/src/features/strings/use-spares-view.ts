import type { Card } from '@tembrin/contract';
import { useState } from 'react';
import { useCards } from '@/state/cards';
import { useNow } from '@/state/now';
import { useSpares } from '@/state/year';

/** Spares, oldest first, and the household’s own sets. */
export function useSparesView() {
  const spares = useSpares();
  const sets = useCards('set');
  const nowMs = useNow(60_000);

  const [open, setOpen] = useState<Card<'spare'> | 'new' | null>(null);
  const [own, setOwn] = useState<Card<'set'> | null>(null);
  const sorted = [...spares].sort((a, b) => ((a.card.facts.boughtOn ?? '9') < (b.card.facts.boughtOn ?? '9') ? -1 : 1));
  return { sets, nowMs, open, setOpen, own, setOwn, sorted };
}

export type SparesModel = ReturnType<typeof useSparesView>;
