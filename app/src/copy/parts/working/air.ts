import { shownUnits } from '../../units';
import { airRule, airSchoolWords, verdictFigures } from '../../air-working';
import type { PartWorking } from '../part-copy';

/** How the thread comes about. */
export const airWorking: PartWorking<'air'> = ({ verdict }, { instrument, moment }) => ({
  figures: verdictFigures(verdict, instrument, moment, shownUnits().lengths),
  rule: airRule(),
  school: airSchoolWords(verdict),
  changes: [
    'Air inside the band brings the wood back, as slowly as it went.',
    'A closed case slows it: dry days pass before the wood has noticed.',
    'A hygrometer that is wrong makes a verdict that is wrong: check it over salt.',
  ],
});
