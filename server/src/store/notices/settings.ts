import { USUAL_TIMES, type NoticePreferences } from '@tembrin/core';
import { noticeSettingsSchema, type NoticeSettings } from '@tembrin/contract';
import type { NoticeSettingsRow } from '../../database/notice-models';

/** As long as a person says nothing: by mail, at the usual times, by the clock of the household. */
const usual = (timeZone: string): NoticeSettings => ({
  mail: true,
  timeZone,
  quiet: { ...USUAL_TIMES.quiet },
  digest: USUAL_TIMES.digest && { ...USUAL_TIMES.digest, weekdays: [...USUAL_TIMES.digest.weekdays] },
  off: [],
  muted: [],
});

/** What a person said of reminders. @param timeZone the household's */
export function settingsOf(row: Pick<NoticeSettingsRow, 'settings'> | null, timeZone: string): NoticeSettings {
  return row ? noticeSettingsSchema.parse(JSON.parse(row.settings)) : usual(timeZone);
}

export const preferencesOf = ({ mail: _mail, ...preferences }: NoticeSettings): NoticePreferences => preferences;
