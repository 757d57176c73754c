import { AIR_RULE, airSchoolWords, verdictFigures, verdictSentence } from '../air';
import type { PartCopy } from './part-copy';

export const airCopy: PartCopy<'air'> = {
  due: 'Its air asks for something',
  reason: ({ verdict }, instrument, moment) => verdictSentence(verdict, instrument, moment, 'mm'),
  keyFigure: ({ verdict: { body } }) => ({
    figure: body && `${Math.round(body.restRh * 100)} %`,
    unit: 'the humidity its wood stands at',
  }),
  working: ({ verdict }, { instrument, moment }) => ({
    figures: verdictFigures(verdict, instrument, moment, 'mm'),
    rule: AIR_RULE,
    school: airSchoolWords(verdict),
    changes: [
      'Air inside the band brings the wood back, as slowly as it went.',
      'A closed case slows it: dry days pass before the wood has noticed.',
      'A hygrometer that is wrong makes a verdict that is wrong: check it over salt.',
    ],
  }),
  begun: null,
};
