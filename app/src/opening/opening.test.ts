import { AS_OF, forgetDrawn, isDark, MISSED, readDrawn, writeDrawn, type Drawn } from './kept-stand';
import { showKept } from './show-kept';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');
const DAY_MS = 86_400_000;
const drawn: Drawn = {
  html: `<h1>Heron</h1><span>Violin</span><span id="${AS_OF}"></span><a href="/kit">Kit</a><button>Start playing</button><button disabled>Off</button>`,
  css: '.r-1 { color: red; }',
  width: 390,
  dark: false,
  ground: 'rgb(245, 239, 227)',
  asOf: 'As of Mon 20:00',
  atMs: NOW,
  whose: 'ours pip@example.org',
};
const signIn = (id: string, email: string) => localStorage.setItem('tembrin-household', JSON.stringify({ id, email }));

let root: HTMLElement;
beforeEach(() => {
  localStorage.clear();
  document.head.innerHTML = '';
  document.body.innerHTML = '<div id="root"></div>';
  root = document.getElementById('root')!;
});

const picture = () => document.querySelector<HTMLElement>('[role=region]');
const shown = () => picture()!.shadowRoot!;
/** The app has come, with these controls. */
const comes = async (html: string) => {
  root.innerHTML = `<h1>Heron</h1>${html}`;
  await Promise.resolve();
};
const press = (name: string) =>
  [...shown().querySelectorAll<HTMLElement>('a, button')].find(({ textContent }) => textContent === name)!.click();
const soon = (ms: number) => new Promise((resolve) => setTimeout(resolve, ms));

describe('what is kept of how it was drawn', () => {
  test('is read for the width and the light it was drawn for, for a week', () => {
    writeDrawn(drawn);
    signIn('ours', 'pip@example.org');
    expect(readDrawn(390, false, NOW + DAY_MS)).toEqual(drawn);
    expect(readDrawn(844, false, NOW)).toBeNull();
    expect(readDrawn(390, true, NOW)).toBeNull();
    expect(readDrawn(390, false, NOW + 8 * DAY_MS)).toBeNull();
    // A clock that was put back: it would be from the future.
    expect(readDrawn(390, false, NOW - DAY_MS)).toBeNull();
    forgetDrawn();
    expect(readDrawn(390, false, NOW)).toBeNull();
  });

  test('is shown to whose it is: a tab that stayed open may keep it after they signed out', () => {
    writeDrawn(drawn);
    expect(readDrawn(390, false, NOW)).toBeNull();
    signIn('ours', 'maris@example.org');
    expect(readDrawn(390, false, NOW)).toBeNull();
    signIn('theirs', 'pip@example.org');
    expect(readDrawn(390, false, NOW)).toBeNull();
    signIn('ours', 'pip@example.org');
    expect(readDrawn(390, false, NOW)).toEqual(drawn);
  });

  test('is nothing where it is no text of ours', () => {
    localStorage.setItem('tembrin-drawn', '{"html":');
    expect(readDrawn(390, false, NOW)).toBeNull();
  });

  test('the light is the device’s, or as was chosen', () => {
    window.matchMedia = (() => ({ matches: true })) as unknown as typeof matchMedia;
    expect(isDark()).toBe(true);
    localStorage.setItem('tembrin-look', '{"state":{"look":"day"}}');
    expect(isDark()).toBe(false);
    localStorage.setItem('tembrin-look', 'no text of ours');
    expect(isDark()).toBe(true);
  });
});

describe('the kept stand', () => {
  test('says of when it is, and goes when the app has drawn a heading', async () => {
    showKept(drawn, root);
    expect(shown().textContent).toContain('ViolinAs of Mon 20:00');
    expect(shown().querySelector('style')!.textContent).toBe(drawn.css);
    // Its rules are for it alone.
    expect(document.querySelector('style')).toBeNull();
    expect(picture()!.getAttribute('aria-label')).toBe('As of Mon 20:00');
    root.innerHTML = '<div>Working it out …</div>';
    await Promise.resolve();
    expect(picture()).not.toBeNull();
    await comes('');
    expect(picture()).toBeNull();
  });

  test('stays while the app is busy with the rest of the page', async () => {
    showKept(drawn, root);
    await comes('<div aria-busy="true"></div>');
    expect(picture()).not.toBeNull();
    // Whoever listens hears one stand, not two.
    expect(root.getAttribute('aria-hidden')).toBe('true');
    await comes('<ul></ul>');
    expect(picture()).toBeNull();
    expect(root.hasAttribute('aria-hidden')).toBe(false);
  });

  test('what is pressed on it is pressed on the app’s own once it may be', async () => {
    const done = jest.fn();
    showKept(drawn, root);
    press('Start playing');
    await comes('<button disabled>Start playing</button>');
    const own = root.querySelector('button')!;
    own.onclick = done;
    await soon(60);
    expect(done).not.toHaveBeenCalled();
    own.disabled = false;
    await soon(60);
    expect(done).toHaveBeenCalledTimes(1);
  });

  test('a link does not load the page anew; what is off is not pressed', async () => {
    const missed = jest.fn();
    window.addEventListener(MISSED, missed, { once: true });
    showKept(drawn, root);
    const click = new MouseEvent('click', { bubbles: true, cancelable: true });
    shown().querySelector('a')!.dispatchEvent(click);
    expect(click.defaultPrevented).toBe(true);
    const went = jest.fn((event: Event) => event.preventDefault());
    root.innerHTML = '<h1>Heron</h1><a href="/kit">Kit</a>';
    root.querySelector('a')!.onclick = went;
    await soon(60);
    expect(went).toHaveBeenCalledTimes(1);
    expect(missed).not.toHaveBeenCalled();
  });

  test('where the app has no such control the page is told', async () => {
    const missed = jest.fn();
    window.addEventListener(MISSED, missed, { once: true });
    showKept(drawn, root);
    press('Start playing');
    await comes('<button>Finish</button>');
    await soon(2_200);
    expect(missed).toHaveBeenCalledTimes(1);
  });
});
