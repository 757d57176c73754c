import type { Paper } from '@tembrin/contract';
import { briefPdf } from '../formats/brief-pdf';
import { fail, ProblemError } from '../problems/problems';
import type { CardScope } from './cards';
import type { PhotoScope } from './photos';
import type { HouseholdScope } from './scope';

/** A photograph that is not kept, or not yet, is left out; that none can be read now is no reason to. */
function whereMissing(error: unknown): null {
  if (error instanceof ProblemError && error.problem.status === 404) return null;
  throw error;
}

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
    const pictures: Buffer[] = [];
    for (const photo of card.facts.photos) {
      const bytes = await this.photos.read({ id: instrument.id, photo }).catch(whereMissing);
      if (bytes) pictures.push(bytes);
    }
    const missing = card.facts.photos.length - pictures.length;
    return briefPdf(card.facts, { name: instrument.name, pictures, missing, paper, at: new Date() });
  }
}
