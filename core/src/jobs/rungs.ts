import { rungFor, type WipeId } from '../care';
import type { InstrumentFacts, Zone } from '../instruments';
import { isBowed } from '../instruments';
import type { Schools } from '../schools';
import type { WorkStep } from './work';

const PLACES: readonly { step: WipeId; zone: Zone; title: string; bowed: boolean }[] = [
  { step: 'wipe-strings', zone: 'strings', title: 'What is hard on the strings', bowed: false },
  { step: 'wipe-rosin', zone: 'rosin-zones', title: 'What is hard on the wood', bowed: true },
  { step: 'wipe-hands', zone: 'hand-zones', title: 'Where hands and arms lie', bowed: false },
];

/** The rung after a dry cloth, place by place: what still works on what has begun to harden; and where it ends. */
export function rungsOf(facts: InstrumentFacts, schools: Schools): WorkStep[] {
  return PLACES.filter(({ bowed }) => !bowed || isBowed(facts.family)).map(({ step, zone, title }) => {
    const settling = rungFor(facts, schools, { step, state: 'settling' })!;
    const caked = rungFor(facts, schools, { step, state: 'caked' })!;
    const cautions = [settling.caution, caked.workshop ? caked.does : null].filter((each) => each !== null);
    return {
      id: step,
      title,
      how: [settling.does, 'It comes off at once, or it is left: rubbing takes varnish along.'],
      ...(cautions.length > 0 && { caution: cautions.join(' ') }),
      picture: 'none',
      zone,
    };
  });
}
