import { Refused } from '@/state/api';
import { NotHere } from '@/state/passkey-faults';
import { runHook } from '@/testing/hook';
import { useForm } from './use-form';

const refused = (fields?: Record<string, string>) =>
  new Refused({
    type: '/problems/x',
    title: 'x',
    status: 422,
    detail: 'Something needs correcting.',
    ...(fields && { fields }),
  });

const formThat = (submit: (values: { password: string }) => Promise<void>) =>
  runHook(() => useForm({ password: '' }, submit));

test('what is wrong with a line is said beside it, and what was typed stays', async () => {
  const form = formThat(() => Promise.reject(refused({ password: 'That is not the password.' })));
  await form.after(({ line }) => line('password').onChangeText('a guess'));
  await form.after(({ send }) => send());
  expect(form.now.line('password')).toMatchObject({ value: 'a guess', error: 'That is not the password.' });
  expect(form.now.problem).toBeNull();
  expect(form.now.busy).toBe(false);
});

test('what is about no line of it is said above', async () => {
  const form = formThat(() => Promise.reject(refused({ elsewhere: 'Not here.' })));
  await form.after(({ send }) => send());
  expect(form.now.problem).toBe('Something needs correcting.');
});

test('a passkey asked for under another name is told where it holds', async () => {
  const form = formThat(() => Promise.reject(new NotHere('tembrin.example')));
  await form.after(({ send }) => send());
  expect(form.now.problem).toMatch(/open Tembrin at tembrin.example/);
});

test('mended, what was wrong is not said any more', async () => {
  let wrong = true;
  const form = formThat(() => (wrong ? Promise.reject(refused({ password: 'No.' })) : Promise.resolve()));
  await form.after(({ send }) => send());
  wrong = false;
  await form.after(({ send }) => send());
  expect([form.now.line('password').error, form.now.problem]).toEqual([undefined, null]);
});
