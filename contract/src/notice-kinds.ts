import type { NoticeKind } from '@tembrin/core/notices';

/** What each kind is, where it is switched off and on. */
export const NOTICE_KIND_TITLES: Readonly<Record<NoticeKind, string>> = {
  air: 'Wood that is too dry or too damp',
  dry: 'A humidifier that runs dry',
  tight: 'A bow that was left tight',
  strings: 'Strings around a concert',
  visit: 'Workshop visits',
  overdue: 'Instruments not back from a loan',
  ending: 'Loans of yours that end',
  due: 'Everything else that is due',
};
