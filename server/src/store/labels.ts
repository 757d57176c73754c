import type { BodyOf, Instrument } from '@tembrin/contract';
import { recordOf, variantOf } from '@tembrin/core';
import { fail } from '../problems/problems';
import { outcomeApart } from '../reading/apart';
import type { HouseholdScope } from './scope';

/** What an instrument is, in a line. */
function kindOf(instrument: Instrument): string {
  const { family, kind, size } = instrument;
  const name = kind === null ? recordOf(family).name : variantOf({ family, kind }).name;
  return size === null || size === '4/4' ? name : `${name} ${size}`;
}

/**
 * A sheet of labels, each of which opens its instrument on the stand for who may see it.
 * @param publicUrl the address people reach Tembrin at
 * @throws ProblemError 404 where one is not here
 */
export async function printLabels(
  scope: HouseholdScope,
  { paper, instrumentIds }: BodyOf<'printLabels'>,
  publicUrl: string,
): Promise<Buffer> {
  const { instruments, name: household } = await scope.household();
  const byId = new Map(instruments.map((instrument) => [instrument.id, instrument]));
  const labels = instrumentIds.map((id) => {
    const instrument = byId.get(id);
    if (!instrument)
      return fail(404, 'no-such-instrument', 'One of these instruments is not here. It may have been removed.');
    const url = new URL(`/stand/${id}`, publicUrl).href;
    return { name: instrument.name, kind: kindOf(instrument), household, url };
  });
  return Buffer.from(await outcomeApart('labels', { labels, paper, atMs: Date.now() }));
}
