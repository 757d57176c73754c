import type { Assessment } from '../assess';
import { viewsOf, type View } from '../instruments';
import type { Photographed } from '../log';

/** A view of the whole as it was photographed last. */
export interface ViewSeen {
  view: View;
  seen: Photographed | null;
}

/** Each view of the whole as it was photographed last: what an insurer or a lender is shown. */
export function stateOf({ log, facts }: Pick<Assessment, 'log' | 'facts'>): ViewSeen[] {
  return viewsOf(facts.family).map((view) => ({
    view,
    seen: log.photos.findLast((photo) => photo.view === view) ?? null,
  }));
}
