import { countWords, dateWords, dayWords, lastingWords, minutesWords } from '../dates';
import type { Moment } from '../lists';
import { RESIDUE_NAMES, ZONE_NAMES } from '../names';
import type { Figure, PartCopy } from './part-copy';
import { verdictFigure } from './windows';
import type { ResidueThread } from '@tembrin/core/parts';
import type { ZoneResidue } from '@tembrin/core/care';

const WHAT_LIES = {
  clean: '',
  fresh: 'Still fresh: a dry cloth takes it off.',
  settling: 'It is getting hard: wipe it today.',
  caked: 'It will have caked: leave rubbing to a workshop.',
} as const;

function reason({ worst, zones, from }: ResidueThread, { nowMs, timeZone }: Moment): string {
  if (!worst)
    return from === null
      ? 'Nothing played yet, nothing to wipe.'
      : `Wiped ${dayWords(from, nowMs, timeZone)}, and not played since.`;
  const dirty = zones.filter(({ since }) => since !== null);
  const where = dirty.length === zones.length ? 'Nothing wiped' : `${ZONE_NAMES[worst.zone]} not wiped`;
  return `${where} for ${lastingWords(nowMs - worst.since!)}, with ${minutesWords(worst.minutes)} of playing left there. ${WHAT_LIES[worst.state]}`;
}

function zoneFigure({ zone, state, since, minutes, wipedAt }: ZoneResidue, { nowMs, timeZone }: Moment): Figure {
  if (since !== null)
    return [
      ZONE_NAMES[zone],
      `${RESIDUE_NAMES[state].toLowerCase()}: ${minutesWords(minutes)} in ${lastingWords(nowMs - since)} unwiped`,
    ];
  return [ZONE_NAMES[zone], wipedAt === null ? 'never played' : `clean since ${dateWords(wipedAt, nowMs, timeZone)}`];
}

export const residueCopy: PartCopy<'residue'> = {
  due: 'Wipe it first',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ worst }) => countWords(worst?.minutes ?? 0, 'played on unwiped residue'),
  working: (thread, { schools, moment }) => ({
    figures: [verdictFigure(thread), ...thread.zones.map((zone) => zoneFigure(zone, moment))],
    rule: 'Wipe the same evening. After two days or five hours of playing residue counts as settling, after sixty days or fifty hours as caked (from memory of the trade, not measured).',
    school:
      schools.cloths === 'A' ? 'Two cloths: one for rosin, one for where hands were.' : 'One cloth: rosin zones last.',
    changes: [
      'Wiping a zone clears it.',
      'Skipping a zone in the closing round leaves it here.',
      'Spirit is for strings only, off the instrument: never a drop on wood or varnish.',
    ],
  }),
  begun: null,
};
