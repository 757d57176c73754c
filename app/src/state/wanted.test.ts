import { forgetWanted, keepWanted, keyWanted, takeWanted } from './wanted';

const come = (path: string) => window.history.replaceState(null, '', path);
beforeEach(() => {
  sessionStorage.clear();
  come('/');
});

test('an invitation is found again after signing in, with the key that no request carries', () => {
  come('/join#the-key');
  keepWanted();
  come('/start');
  expect(takeWanted('/kit/add')).toBe('/join');
  come('/join');
  expect(keyWanted()).toBe('the-key');
  forgetWanted();
  expect(keyWanted()).toBe('');
});

test('an offer is gone back to once, and other pages are not', () => {
  come('/kit/take?key=k');
  keepWanted();
  expect(takeWanted('/now')).toBe('/kit/take?key=k');
  expect(takeWanted('/now')).toBe('/now');
  come('/air');
  keepWanted();
  expect(takeWanted('/now')).toBe('/now');
});
