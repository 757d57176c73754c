import type { Paper } from '@tembrin/contract';
import { fail } from '../problems/problems';
import { outcomeApart } from '../reading/apart';
import type { CardScope } from './cards';
import type { PhotoScope } from './photos';
import type { HouseholdScope } from './scope';

/** A household's briefs, as pages. */
export class BriefScope {
  constructor(
    private readonly cards: CardScope,
    private readonly scope: HouseholdScope,
    private readonly photos: PhotoScope,
  ) {}

  /**
   * A brief as a PDF, with those of its photographs that are kept; it says how many are not.
   * @throws ProblemError 404; 503 where the store of photographs is not there
   */
  async print(id: string, paper: Paper): Promise<Buffer> {
    const card = (await this.cards.of('brief')).find((each) => each.id === id);
    if (!card) return fail(404, 'no-such-brief', 'There is no such brief here. It may have been removed.');
    const { instruments } = await this.scope.household();
    const instrument = instruments.find((each) => each.id === card.facts.instrumentId);
    if (!instrument)
      return fail(404, 'no-such-instrument', 'There is no such instrument here. It may have been removed.');
    const { photos } = card.facts;
    const pictures = await this.photos.readAll(instrument.id, photos);
    const missing = photos.length - pictures.length;
    const sheets = [{ brief: card.facts, name: instrument.name, pictures, missing }];
    return Buffer.from(await outcomeApart('brief', { sheets, paper, atMs: Date.now() }));
  }
}
