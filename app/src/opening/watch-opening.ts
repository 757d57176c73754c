import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract/operations/operation';
import { forgetStand, isDark } from './kept-stand';

/** The app has drawn something by then, or something is wrong with it that must not be hidden. */
export const PATIENCE_MS = 10_000;
/** Where it says that it waits for something, it may wait so long. From memory. */
export const WAITING_MS = 30_000;
/** The server's answer to the signing out is waited for so long. From memory. */
const SIGN_OUT_MS = 4_000;
const LOOK_EVERY_MS = 500;

const COLOURS = {
  day: 'background:#fffbf4;color:#221c18;border:1px solid #d9cdb8',
  night: 'background:#1c3229;color:#f2e8d5;border:1px solid #4a6357',
};
const BUTTON =
  'font:inherit;min-height:48px;padding:0 20px;border-radius:8px;border:1px solid currentColor;background:transparent;color:inherit';

/** What the app has drawn so far: nothing, that it waits, or a page. */
function drawnIn(root: HTMLElement): 'nothing' | 'waiting' | 'page' {
  if (root.querySelector('h1, [role=heading]')) return 'page';
  return root.textContent?.trim() ? 'waiting' : 'nothing';
}

/** Signs this browser out and leads to the sign-in page. What is not sent yet lies in the device's own database, and stays there. */
async function signInAgain(): Promise<void> {
  const told = fetch(`${API_ROOT}/sign-out`, { method: 'POST', headers: { [REQUEST_HEADER]: '1' } });
  await Promise.race([told.catch(() => undefined), new Promise((resolve) => setTimeout(resolve, SIGN_OUT_MS))]);
  forgetStand();
  localStorage.removeItem('tembrin-household');
  localStorage.removeItem('tembrin-household by');
  location.assign('/sign-in');
}

/** Says that the app has not opened, and what to do. @returns takes it away */
function sayStuck(): () => void {
  const panel = document.createElement('div');
  panel.setAttribute('role', 'alert');
  panel.style.cssText = `position:fixed;left:16px;right:16px;bottom:24px;z-index:2;max-width:560px;margin:0 auto;padding:20px;border-radius:12px;font:18px/1.5 Atkinson,sans-serif;${isDark() ? COLOURS.night : COLOURS.day}`;
  const title = document.createElement('strong');
  title.textContent = 'Tembrin has not opened.';
  const text = document.createElement('p');
  text.textContent = 'Reload the page. If that does not help, sign in again. What you recorded on this device is kept.';
  const buttons = document.createElement('div');
  buttons.style.cssText = 'display:flex;flex-wrap:wrap;gap:12px';
  const add = (label: string, press: () => void) => {
    const button = document.createElement('button');
    button.type = 'button';
    button.textContent = label;
    button.style.cssText = BUTTON;
    button.addEventListener('click', () => {
      button.disabled = true;
      press();
    });
    buttons.append(button);
  };
  add('Reload', () => location.reload());
  add('Sign in again', () => void signInAgain());
  panel.append(title, text, buttons);
  document.body.append(panel);
  return () => panel.remove();
}

/**
 * Watches whether the app draws itself, and says so where it does not. The panel goes as soon as a page is there after all.
 * @param root what the app draws into
 */
export function watchOpening(root: HTMLElement): void {
  const began = Date.now();
  let unsay: (() => void) | null = null;
  const looking = setInterval(() => {
    const drawn = drawnIn(root);
    if (drawn === 'page') {
      clearInterval(looking);
      unsay?.();
    } else if (!unsay && Date.now() - began >= (drawn === 'nothing' ? PATIENCE_MS : WAITING_MS)) unsay = sayStuck();
  }, LOOK_EVERY_MS);
}
