import type { PartWorking, Working, WorkingContext } from '../part-copy';
import { airWorking } from './air';
import { checkupWorking } from './checkup';
import { hairWorking } from './hair';
import { hairLookWorking } from './hair-look';
import { residueWorking } from './residue';
import { rosinWorking } from './rosin';
import { stringsWorking } from './strings';
import type { PartId, Thread } from '@tembrin/core/parts';

/** How each part's thread comes about; one that is missing does not compile. */
const WORKINGS: { readonly [P in PartId]: PartWorking<P> } = {
  strings: stringsWorking,
  hair: hairWorking,
  'hair-look': hairLookWorking,
  rosin: rosinWorking,
  residue: residueWorking,
  checkup: checkupWorking,
  air: airWorking,
};

/** Shows how a thread came about: figures, rule, school, and what would change it. */
export function workingOf(thread: Thread, context: WorkingContext): Working {
  return (WORKINGS[thread.part] as unknown as PartWorking<PartId>)(thread, context);
}
