import { presetsFor } from '@tembrin/core/sets';
import type { Instrument } from '@tembrin/contract';
import { useMemo } from 'react';
import { useCards } from '@/state/cards';
import { useSpares } from '@/state/year';
import { openStrings } from '@tembrin/core/strings';
import type { StringSpec } from '@tembrin/core/instruments';
import { copy } from '@/copy/screens/strings/sets';

/** A set that can be put on: described in general terms, the household's own, or lying in the cupboard. */
export interface SetChoice {
  key: string;
  title: string;
  strings: readonly (StringSpec | null)[];
  /** The packet it lies in, if it does. */
  spareId: string | null;
}

/** Every set that fits an instrument: those in the cupboard first, then the household's own, then general ones. */
export function useSetChoices(instrument: Instrument): SetChoice[] {
  const own = useCards('set');
  const spares = useSpares();
  return useMemo(() => {
    const { family, kind, stringCount } = instrument;
    const fits = (facts: { family: string; kind: string | null }) =>
      facts.family === family && (facts.kind === null || facts.kind === kind);
    const positions = Array.from({ length: stringCount }, (_, at) => at);
    const shelf = spares.flatMap(({ card: { id, facts }, left }): SetChoice[] => {
      if (!fits(facts) || left.packets < 1 || positions.some((at) => !facts.positions.includes(at))) return [];
      const strings = positions.map((at) => facts.specs?.[facts.positions.indexOf(at)] ?? null);
      return [{ key: id, title: copy.inTheCupboard(facts.title), strings, spareId: id }];
    });
    const mine = own.flatMap(({ id, facts }): SetChoice[] =>
      fits(facts) && facts.strings.length === stringCount
        ? [{ key: id, title: facts.title, strings: facts.strings, spareId: null }]
        : [],
    );
    const general = presetsFor(instrument, openStrings(instrument)).map(({ id, title, strings }): SetChoice => ({
      key: id,
      title,
      strings,
      spareId: null,
    }));
    return [...shelf, ...mine, ...general];
  }, [own, spares, instrument]);
}

/** Packets in the cupboard that hold a string for a position, with one left. */
export function useSparesFor(instrument: Instrument, position: number) {
  return useSpares().flatMap(({ card, left }) => {
    const { facts } = card;
    const at = facts.positions.indexOf(position);
    const fits = facts.family === instrument.family && (facts.kind === null || facts.kind === instrument.kind);
    return fits && at >= 0 && left.strings[at]! > 0
      ? [{ card, spec: facts.specs?.[at] ?? null, left: left.strings[at]! }]
      : [];
  });
}
