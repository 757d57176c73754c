import { showKept } from './show-kept';
import { isDark, readDrawn, readJudged } from './kept-stand';

/** Runs before the app: shows the stand as it was, and reads what it rested on while the app comes. */
if (location.pathname === '/now') {
  window.keptStand = readJudged().catch(() => null);
  const drawn = readDrawn(innerWidth, isDark(), Date.now());
  if (drawn) showKept(drawn, document.getElementById('root')!);
}
