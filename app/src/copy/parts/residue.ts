import { countWords, dayWords, lastingWords, minutesWords } from '../dates';
import type { Moment } from '../lists';
import { ZONE_NAMES } from '../names';
import type { PartCopy } from './part-copy';
import type { ResidueThread } from '@tembrin/core/parts';

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

export const residueCopy: PartCopy<'residue'> = {
  due: 'Wipe it first',
  reason: (thread, _instrument, moment) => reason(thread, moment),
  keyFigure: ({ worst }) => countWords(worst?.minutes ?? 0, 'played on unwiped residue'),
  begun: null,
};
