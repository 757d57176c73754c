import { showKept } from './show-kept';
import { isDark, readDrawn } from './kept-stand';

/** Runs before the app: shows the stand as it was. */
if (location.pathname === '/now') {
  const drawn = readDrawn(innerWidth, isDark(), Date.now());
  if (drawn) showKept(drawn, document.getElementById('root')!);
}
