import { mount } from '@/testing/mount';
import { PageTitle } from './PageTitle';

const pages = (over: boolean, title = 'Heron · Kit') => (
  <>
    <PageTitle title={title} />
    {over && <PageTitle title="Hands busy" />}
  </>
);

test('the uppermost page names the tab, and gives it back', () => {
  const { show, remove } = mount(pages(false));
  expect(document.title).toBe('Heron · Kit');
  show(pages(true));
  expect(document.title).toBe('Hands busy');
  show(pages(true, 'Heron, a violin · Kit'));
  expect(document.title).toBe('Hands busy');
  show(pages(false, 'Wren · Kit'));
  expect(document.title).toBe('Wren · Kit');
  remove();
});
