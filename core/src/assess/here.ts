import { FIGURE_DATA, schoolsFor } from '../instruments';
import type { InstrumentLog } from '../log';
import type { SchoolChoices } from '../schools';
import type { Assessment } from './assessment';
import type { OwnInstrument } from './own-instrument';
import { playersOf, type Player } from './players';

/** A log without what was measured of others than who is there: a rest, an endpin, a bow's gap fit one player. */
function withoutOthersFit(log: InstrumentLog, others: ReadonlySet<string>): InstrumentLog {
  const fits = (of: InstrumentLog['measures'][number]) =>
    !(FIGURE_DATA[of.figure].ofPlayer && of.who !== undefined && others.has(of.who));
  return log.measures.every(fits) ? log : { ...log, measures: log.measures.filter(fits) };
}

/**
 * An instrument as it was judged, for one of several who play it: with the sides they take themselves, and with what was measured of
 * them. What wears is worn by all of them, and stays.
 * @param schools the household's
 */
export function seenBy<I extends OwnInstrument>(
  assessment: Assessment<I>,
  player: Player | null,
  people: readonly Player[],
  schools: SchoolChoices,
): Assessment<I> {
  const { facts, log, bows } = assessment;
  const players = playersOf(facts.id, people);
  if (!player || players.length < 2 || !player.plays.includes(facts.id)) return assessment;
  const others = new Set(players.flatMap(({ id }) => (id === player.id ? [] : [id])));
  return {
    ...assessment,
    schools: schoolsFor(facts.family, { ...schools, ...player.schools }, facts.schools),
    log: withoutOthersFit(log, others),
    bows: bows.map((bow) => ({ ...bow, log: withoutOthersFit(bow.log, others) })),
  };
}
