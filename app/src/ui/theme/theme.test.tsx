import { act, useState } from 'react';
import { usePreferences } from '@/state/preferences';
import { mount } from '@/testing/mount';
import { DAY, NIGHT } from './palette';
import { Theme, usePalette } from '.';

/** What is typed into a page, in the colour of its text. */
function Page() {
  const { text } = usePalette();
  const [typed, setTyped] = useState('');
  return (
    <button type="button" data-text={text} onClick={() => setTyped('left case open')}>
      {typed}
    </button>
  );
}

test('another light shows in every colour, and what was entered on the page stays', () => {
  const { element, remove } = mount(
    <Theme>
      <Page />
    </Theme>,
  );
  const page = () => element.querySelector('button')!;
  act(() => page().click());
  expect(page().dataset.text).toBe(DAY.text);
  const before = page();
  act(() => usePreferences.getState().setLook('night'));
  expect(page()).toBe(before);
  expect(page().textContent).toBe('left case open');
  expect(page().dataset.text).toBe(NIGHT.text);
  expect(document.documentElement.style.colorScheme).toBe('dark');
  act(() => usePreferences.getState().setLook('day'));
  expect(page().dataset.text).toBe(DAY.text);
  remove();
});
