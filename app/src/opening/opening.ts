import { showKept } from './show-kept';
import { isDark, readDrawn } from './kept-stand';
import { watchOpening } from './watch-opening';

/** Runs before the app: shows the stand as it was, and says so where the app does not come. */
const root = document.getElementById('root')!;
watchOpening(root);
if (location.pathname === '/now') {
  const drawn = readDrawn(innerWidth, isDark(), Date.now());
  if (drawn) showKept(drawn, root);
}
