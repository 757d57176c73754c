/**
 * Going on to another page once something is on record, unless the player has gone elsewhere while it was waited for.
 * Called before the waiting begins.
 * @returns does it, where the page of now is still open
 */
export function unlessGone(go: () => void): () => void {
  const here = location.pathname;
  return () => {
    if (location.pathname === here) go();
  };
}
