import { AS_OF, MISSED, type Drawn } from './kept-stand';
import { PATIENCE_MS } from './watch-opening';

const CONTROLS = 'a, button, [role=button]';
/** So long something pressed is looked for once the app has come. From memory. */
const LOOK_MS = 2_000;
const LOOK_AGAIN_MS = 30;

const nameOf = (control: Element) => control.getAttribute('aria-label') ?? control.textContent;
const isOff = (control: Element) => control.getAttribute('aria-disabled') === 'true' || control.matches(':disabled');

/**
 * Shows the kept stand over the page until the app has drawn something with a heading, and is not busy with the rest of it. What is
 * pressed on it meanwhile is pressed on the app's own as soon as that is there; where it has nothing of that name, the page is told.
 * @param root what the app draws into
 */
export function showKept(drawn: Drawn, root: HTMLElement): void {
  const picture = document.createElement('div');
  picture.setAttribute('role', 'region');
  picture.setAttribute('aria-label', drawn.asOf);
  picture.style.cssText = `position:fixed;inset:0;display:flex;z-index:1;background:${drawn.ground}`;
  // A tree of its own: every rule that the app writes while it comes would have all of the picture's styles worked out again.
  const tree = picture.attachShadow({ mode: 'open' });
  tree.innerHTML = drawn.html;
  const style = document.createElement('style');
  style.textContent = drawn.css;
  tree.prepend(style);
  const mark = tree.querySelector(`#${AS_OF}`);
  if (mark) mark.textContent = drawn.asOf;
  let pressed: string | null = null;
  tree.addEventListener('click', (event) => {
    // A link would load the page anew.
    event.preventDefault();
    const control = (event.target as Element).closest<HTMLElement>(CONTROLS);
    if (!control || isOff(control)) return;
    pressed = nameOf(control);
    control.style.opacity = '0.6';
  });
  document.body.append(picture);
  // What is drawn behind it is not read out beside it.
  root.setAttribute('aria-hidden', 'true');

  const giveWay = () => {
    watch.disconnect();
    clearTimeout(patience);
    picture.remove();
    root.removeAttribute('aria-hidden');
    if (pressed !== null) pressIn(root, pressed, Date.now() + LOOK_MS);
  };
  const watch = new MutationObserver(() => root.querySelector('h1') && !root.querySelector('[aria-busy]') && giveWay());
  const patience = setTimeout(giveWay, PATIENCE_MS);
  watch.observe(root, { childList: true, subtree: true });
}

/** Presses what has that name, as soon as it may be pressed. */
function pressIn(root: HTMLElement, name: string, untilMs: number): void {
  const control = [...root.querySelectorAll<HTMLElement>(CONTROLS)].find((each) => nameOf(each) === name);
  if (control && !isOff(control)) control.click();
  else if (Date.now() < untilMs) setTimeout(() => pressIn(root, name, untilMs), LOOK_AGAIN_MS);
  else window.dispatchEvent(new Event(MISSED));
}
