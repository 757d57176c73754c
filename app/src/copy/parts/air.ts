import { shownUnits } from '../units';
import { verdictSentence } from '../air';
import type { PartCopy } from './part-copy';

export const airCopy: PartCopy<'air'> = {
  due: 'Its air asks for something',
  reason: ({ verdict }, instrument, moment) => verdictSentence(verdict, instrument, moment, shownUnits().lengths),
  keyFigure: ({ verdict: { body } }) => ({
    figure: body && `${Math.round(body.restRh * 100)} %`,
    unit: 'the humidity its wood stands at',
  }),
  begun: null,
};
