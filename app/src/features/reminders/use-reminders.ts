import type { NoticeAnswer, NoticeSettings, Reminders, ToldNotice } from '@tembrin/contract';
import { useEffect, useState } from 'react';
import { Refused } from '@/state/api';
import { useHousehold } from '@/state/household';
import { notify, notifyProblem } from '@/state/notice';
import { NotAble, NotAllowed } from '@/state/push';
import {
  answerReminder,
  changeReminders,
  readReminders,
  removeDevice,
  tellThisDevice,
  tryDevice,
  useReminders,
} from '@/state/reminders';
import { HOUR_MS, localDay, startOfLocalDay } from '@tembrin/core/time';
import { dayWords, fullDateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/reminders/reminders';
import { useMoment } from '../air/where';
import { useAsking } from '../asking';

/** The hour of the day at which what was put off is told again, unless that is within the quiet hours. */
const AGAIN_H = 9;

/** The morning so many days from now by the clock there, as an instant. */
export const morningIn = (days: number, nowMs: number, timeZone: string) =>
  startOfLocalDay(localDay(nowMs, timeZone) + days, timeZone) + AGAIN_H * HOUR_MS;

/** Days a reminder is put off by. */
export const LATER = { tomorrow: 1, week: 7 } as const;

/** What somebody is reminded of, asked for anew when the page opens; null: not known. */
function useKnownReminders(demo: boolean): Reminders | null {
  useEffect(() => {
    if (!demo) readReminders().catch(() => undefined);
  }, [demo]);
  return useReminders((state) => state.reminders);
}

/** The page of reminders: what was told, and what is done about it at once. */
export function useRemindersPage() {
  const { timeZone, demo, instruments } = useHousehold((state) => state.household)!;
  const reminders = useKnownReminders(demo);
  const { nowMs } = useMoment();
  const { busy, ask } = useAsking();
  const answer = (told: ToldNotice, reply: NoticeAnswer, said: string) =>
    void ask(async () => {
      await answerReminder(told.id, reply);
      notify(said);
    });
  const onDay = (ms: number) => dayWords(ms, nowMs, timeZone);
  return {
    demo,
    reminders,
    busy,
    onDay: (instant: string) => fullDateWords(timeZone)(Date.parse(instant)),
    lately: (instant: string) => onDay(Date.parse(instant)),
    nameOf: (instrumentId: string) => instruments.find(({ id }) => id === instrumentId)?.name ?? '',
    done: (told: ToldNotice) => answer(told, { answer: 'done' }, copy.saidDone),
    later: (told: ToldNotice, days: number) => {
      const until = morningIn(days, nowMs, timeZone);
      answer(told, { answer: 'put-off', until: new Date(until).toISOString() }, copy.saidPutOff(onDay(until)));
    },
    noMore: (told: ToldNotice, what: 'off-kind' | 'off-instrument') => answer(told, { answer: what }, copy.saidNoMore),
    addThis: () =>
      void ask(async () => {
        await tellThisDevice(reminders!).catch((error: unknown) => {
          if (error instanceof NotAllowed) return notifyProblem(copy.notAllowed);
          if (error instanceof NotAble) return notifyProblem(copy.notAble);
          throw error;
        });
      }),
    tryIt: (id: string) =>
      void ask(async () => {
        await tryDevice(id);
        notify(copy.tried);
      }),
    removeIt: (id: string) =>
      void ask(async () => {
        await removeDevice(id);
        notify(copy.removed);
      }),
  };
}
export type RemindersPage = ReturnType<typeof useRemindersPage>;

const clockOf = (minute: number) =>
  `${String(Math.floor(minute / 60)).padStart(2, '0')}:${String(minute % 60).padStart(2, '0')}`;
const minuteOf = (clock: string) => {
  const [hour, minute] = clock.split(':').map(Number);
  return (hour || 0) * 60 + (minute || 0);
};
const USUAL_DIGEST_MIN = 9 * 60;

/** What of some settings is other than it was. */
function changesOf(settings: NoticeSettings, before: NoticeSettings): Partial<NoticeSettings> {
  const names = Object.keys(settings) as (keyof NoticeSettings)[];
  const changed = names.filter((name) => JSON.stringify(settings[name]) !== JSON.stringify(before[name]));
  return Object.fromEntries(changed.map((name) => [name, settings[name]]));
}

/** When and of what, as it is changed on the page. */
export function useSettingsForm({ settings: known, version }: Reminders) {
  const [settings, setSettings] = useState<NoticeSettings>(known);
  const [digestAt, setDigestAt] = useState(known.digest?.atMin ?? USUAL_DIGEST_MIN);
  const [base, setBase] = useState({ version, known });
  const { busy, ask } = useAsking();
  // Changed meanwhile by an answer, or elsewhere: how it stands now is shown, with what was changed here and is not saved.
  if (base.version !== version) {
    setBase({ version, known });
    setSettings({ ...known, ...changesOf(settings, base.known) });
  }
  const set = (more: Partial<NoticeSettings>) => setSettings({ ...settings, ...more });
  const device = Intl.DateTimeFormat().resolvedOptions().timeZone;
  return {
    settings,
    busy,
    changed: JSON.stringify(settings) !== JSON.stringify(known),
    otherZone: device === settings.timeZone ? null : device,
    useDeviceZone: () => set({ timeZone: device }),
    mail: settings.mail,
    setMail: (mail: boolean) => set({ mail }),
    quietFrom: clockOf(settings.quiet.fromMin),
    quietTo: clockOf(settings.quiet.toMin),
    // A field that was emptied says no time: the one before stays.
    setQuietFrom: (clock: string) => {
      if (clock !== '') set({ quiet: { ...settings.quiet, fromMin: minuteOf(clock) } });
    },
    setQuietTo: (clock: string) => {
      if (clock !== '') set({ quiet: { ...settings.quiet, toMin: minuteOf(clock) } });
    },
    days: settings.digest?.weekdays ?? [],
    setDays: (weekdays: number[]) =>
      set({ digest: weekdays.length === 0 ? null : { atMin: digestAt, weekdays: weekdays.toSorted((a, b) => a - b) } }),
    digestAt: clockOf(digestAt),
    setDigestAt: (clock: string) => {
      if (clock === '') return;
      const atMin = minuteOf(clock);
      setDigestAt(atMin);
      if (settings.digest) set({ digest: { ...settings.digest, atMin } });
    },
    setOff: (off: NoticeSettings['off']) => set({ off }),
    setMuted: (muted: string[]) => set({ muted }),
    save: () =>
      void ask(async () => {
        try {
          await changeReminders(base.version, settings);
          notify(copy.saved);
        } catch (error) {
          if (!(error instanceof Refused) || error.problem.status !== 412) throw error;
          await readReminders();
          notifyProblem(copy.changedElsewhere);
        }
      }),
  };
}
export type SettingsForm = ReturnType<typeof useSettingsForm>;
