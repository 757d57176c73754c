import * as z from 'zod';
import { kept } from './kept';

const schema = z.object({ name: z.string(), people: z.array(z.string()).default([]) });
const KEY = 'tembrin-tested';

beforeEach(() => {
  localStorage.clear();
});

test('what this build kept is there at once, without its schema', () => {
  const load = jest.fn(async () => schema);
  const place = kept(KEY, load);
  expect(place.read()).toBeNull();
  place.write({ name: 'Ours', people: ['Pip'] });
  expect(place.read()).toEqual({ name: 'Ours', people: ['Pip'] });
  expect(load).not.toHaveBeenCalled();
  place.forget();
  expect(localStorage).toHaveLength(0);
});

test('what another build kept is checked, and made what this one takes', async () => {
  const load = jest.fn(async () => schema);
  const place = kept(KEY, load);
  localStorage.setItem(KEY, JSON.stringify({ name: 'Ours' }));
  expect(place.read()).toBeNull();
  expect(await place.readOld()).toEqual({ name: 'Ours', people: [] });
  expect(load).toHaveBeenCalledTimes(1);
  localStorage.setItem(KEY, JSON.stringify({ called: 'Ours' }));
  expect(await place.readOld()).toBeNull();
});

test('nothing kept asks for nothing; what is no text of ours is nothing', async () => {
  const load = jest.fn(async () => schema);
  const place = kept(KEY, load);
  expect(await place.readOld()).toBeNull();
  expect(load).not.toHaveBeenCalled();
  place.write({ name: 'Ours', people: [] });
  localStorage.setItem(KEY, '{"name":');
  expect(place.read()).toBeNull();
  await expect(place.readOld()).rejects.toThrow();
});
