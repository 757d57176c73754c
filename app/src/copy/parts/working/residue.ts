import { dateWords, lastingWords, minutesWords } from '../../dates';
import type { Moment } from '../../lists';
import { RESIDUE_NAMES, ZONE_NAMES } from '../../names';
import type { Figure, PartWorking } from '../part-copy';
import { verdictFigure } from './figures';
import type { ZoneResidue } from '@tembrin/core/care';

function zoneFigure({ zone, state, since, minutes, wipedAt }: ZoneResidue, { nowMs, timeZone }: Moment): Figure {
  if (since !== null)
    return [
      ZONE_NAMES[zone],
      `${RESIDUE_NAMES[state].toLowerCase()}: ${minutesWords(minutes)} in ${lastingWords(nowMs - since)} unwiped`,
    ];
  return [ZONE_NAMES[zone], wipedAt === null ? 'never played' : `clean since ${dateWords(wipedAt, nowMs, timeZone)}`];
}

/** How the thread comes about. */
export const residueWorking: PartWorking<'residue'> = (thread, { schools, moment }) => ({
  figures: [verdictFigure(thread), ...thread.zones.map((zone) => zoneFigure(zone, moment))],
  rule: 'Wipe the same evening. After two days or five hours of playing residue counts as settling, after sixty days or fifty hours as caked (from memory of the trade, not measured).',
  school:
    schools.cloths === 'A' ? 'Two cloths: one for rosin, one for where hands were.' : 'One cloth: rosin zones last.',
  changes: [
    'Wiping a zone clears it.',
    'Skipping a zone in the closing round leaves it here.',
    'Spirit is for strings only, off the instrument: never a drop on wood or varnish.',
  ],
});
