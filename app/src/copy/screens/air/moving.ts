import { fixed } from '../../numbers';
import { humidityWords } from '@/copy/measures';
import { lastingWords } from '@/copy/dates';

/** What features/air/Moving.tsx says. */
export const copy = {
  /** @param move moistures as shares of the wood's weight; `top`: the instrument whose top moves, and by how much, where it is known */
  fromTo: (move: {
    fromRh: number;
    toRh: number;
    fromMoisture: number;
    toMoisture: number;
    top: { name: string; moves: string } | null;
    steps: number;
  }) => {
    const water = `From ${humidityWords(move.fromRh)} to ${humidityWords(move.toRh)}: its water goes from ${fixed(100 * move.fromMoisture, 1)} to ${fixed(100 * move.toMoisture, 1)} %`;
    const top = move.top ? `, and the top of ${move.top.name} moves by ${move.top.moves}` : '';
    return `${water}${top}.${move.steps === 0 ? ' Leave it in its case for a day.' : ''}`;
  },
  movingBetweenClimates: 'Moving between climates',
  woodTakesABig:
    'Wood takes a big change in steps, weeks apart, in its closed case with a two-way pack or a humidifier set to each step.',
  usualHumidityThereIn: 'Usual humidity there, in %',
  writeAHumidityBetween: 'Write a humidity between 10 and 90 %.',
  usualHumidityWhereIt: 'Usual humidity where it goes, in %',
  inTwoWeeks: 'In two weeks',
  inAMonth: 'In a month',
  inThreeMonths: 'In three months',
  nothingToArrange: 'Nothing to arrange',
  stepsOfTheMove: 'Steps of the move',
  stepForWater: (step: number, lastsMs: number, waterPercent: string) =>
    `Step ${step}, for ${lastingWords(lastsMs)}; ${waterPercent} % water`,
  theWoodAt: (rh: number) => `The wood at ${humidityWords(rh)}`,
  aStepAsksFor: () =>
    `A step asks for at most ${humidityWords(0.009, 1)} of water and lasts twenty days, two time constants of a thin plate in its case (from memory of the trade). A harp or an old instrument: ask a luthier first.`,
} as const;
