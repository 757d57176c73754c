import type { Reminders } from '@tembrin/contract';
import { runHook } from '@/testing/hook';
import { useSettingsForm } from './use-reminders';

const reminders = (version: number, more: Partial<Reminders['settings']> = {}): Reminders => ({
  version,
  settings: {
    mail: true,
    timeZone: 'Europe/Lisbon',
    quiet: { fromMin: 1260, toMin: 480 },
    digest: { atMin: 540, weekdays: [5] },
    off: [],
    muted: [],
    ...more,
  },
  mailTo: 'ines@example.org',
  mailDeadSince: null,
  push: { publicKey: 'k', standIn: true },
  devices: [],
  told: [],
});

test('what was changed and is not saved stays when something else is changed meanwhile', async () => {
  let stands = reminders(1);
  const form = runHook(() => useSettingsForm(stands));
  await form.after(({ setQuietFrom }) => setQuietFrom('22:30'));
  expect(form.now.changed).toBe(true);
  // A kind was switched off from where it was read.
  stands = reminders(2, { off: ['tight'] });
  await form.after(({ setMail }) => setMail(true));
  expect(form.now.quietFrom).toBe('22:30');
  expect(form.now.settings.off).toEqual(['tight']);
  expect(form.now.changed).toBe(true);
});

test('a time that was emptied is the one before; no day is no digest, and its hour is kept', async () => {
  const stands = reminders(1);
  const form = runHook(() => useSettingsForm(stands));
  await form.after(({ setQuietTo }) => setQuietTo(''));
  expect(form.now.quietTo).toBe('08:00');
  await form.after(({ setDigestAt }) => setDigestAt('07:15'));
  await form.after(({ setDays }) => setDays([]));
  expect(form.now.settings.digest).toBeNull();
  await form.after(({ setDays }) => setDays([6, 0]));
  expect(form.now.settings.digest).toEqual({ atMin: 435, weekdays: [0, 6] });
});
