import { z } from 'zod';
import { kept } from './kept';
import { loadSchemas } from './schemas';

jest.mock('./schemas', () => ({ loadSchemas: jest.fn(async () => undefined) }));

const schema = z.object({ name: z.string(), people: z.array(z.string()).default([]) });
const KEY = 'tembrin-tested';

beforeEach(() => {
  localStorage.clear();
  jest.clearAllMocks();
});

test('what this build kept is there at once, without its schema', () => {
  const place = kept(KEY, async () => schema);
  expect(place.read()).toBeNull();
  place.write({ name: 'Ours', people: ['Pip'] });
  expect(place.read()).toEqual({ name: 'Ours', people: ['Pip'] });
  expect(loadSchemas).not.toHaveBeenCalled();
  place.forget();
  expect(localStorage).toHaveLength(0);
});

test('what another build kept is checked, and made what this one takes', async () => {
  const place = kept(KEY, async () => schema);
  localStorage.setItem(KEY, JSON.stringify({ name: 'Ours' }));
  expect(place.read()).toBeNull();
  expect(await place.readOld()).toEqual({ name: 'Ours', people: [] });
  expect(loadSchemas).toHaveBeenCalledTimes(1);
  localStorage.setItem(KEY, JSON.stringify({ called: 'Ours' }));
  expect(await place.readOld()).toBeNull();
});

test('nothing kept asks for nothing; what is no text of ours is nothing', async () => {
  const place = kept(KEY, async () => schema);
  expect(await place.readOld()).toBeNull();
  expect(loadSchemas).not.toHaveBeenCalled();
  place.write({ name: 'Ours', people: [] });
  localStorage.setItem(KEY, '{"name":');
  expect(place.read()).toBeNull();
  await expect(place.readOld()).rejects.toThrow();
});
