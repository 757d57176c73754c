import { NOTICE_KIND_TITLES } from '@tembrin/contract/notice-kinds';
import type { NoticeKind } from '@tembrin/core/notices';
import { optionsOf } from '../../lists';

/** Days of the week as they are chosen, 0 Monday. */
export const WEEKDAYS = ['Mon', 'Tue', 'Wed', 'Thu', 'Fri', 'Sat', 'Sun'].map((title, value) => ({ value, title }));

export const KIND_OPTIONS = optionsOf<NoticeKind>(NOTICE_KIND_TITLES);

/** How a reminder stands, where it is not open any more. */
export const STATES = { done: 'Done', over: 'Over' } as const;

/** What the pages of reminders say. */
export const copy = {
  reminders: 'Reminders',
  unknown: 'What you are reminded of is known with a connection only.',
  nothing: 'Nothing to tell',
  nothingText:
    'Wood that leaves its band, a bow left tight, strings before a concert: what cannot wait is told at once, the rest in a digest.',
  told: 'Told lately',
  before: 'Before',
  done: 'Done',
  doneLabel: (title: string) => `Done: ${title}`,
  tomorrow: 'Tomorrow',
  tomorrowLabel: (title: string) => `Tomorrow: ${title}`,
  week: 'In a week',
  weekLabel: (title: string) => `In a week: ${title}`,
  noMore: 'Not again',
  noMoreLabel: (title: string) => `Not again: ${title}`,
  noMoreAsk: 'Of what shall nothing more be told?',
  noMoreText: (kind: keyof typeof NOTICE_KIND_TITLES) => `It is one of: ${NOTICE_KIND_TITLES[kind].toLowerCase()}.`,
  notThisKind: 'Nothing more of this kind',
  notThisInstrument: (name: string) => `Nothing more of ${name}`,
  never: 'Keep telling',
  putOffTo: (when: string) => `Put off until ${when}`,
  saidDone: 'Put on record.',
  saidPutOff: (when: string) => `You are told again on ${when}, if it is still so.`,
  saidNoMore: 'You are told no more of it. It is switched on again below.',
  how: 'How',
  mail: 'By mail',
  mailOn: (to: string) => `To ${to}`,
  mailOff: 'This Tembrin sends no mail. Whoever runs it sets SMTP_URL.',
  mailDead: 'Your address takes no mail any more. Change it under Account, or have it mended.',
  mailYes: 'Letters',
  mailNo: 'No letters',
  devices: 'On devices',
  devicesText: 'What cannot wait comes as a notification, and is answered from there.',
  deviceRow: (added: string, told: string | null) =>
    `Since ${added} · ${told === null ? 'nothing sent yet' : `told ${told}`}`,
  deviceDead: 'Takes nothing any more. Remove it, and add it again there.',
  tryIt: 'Try',
  tryLabel: (name: string) => `Try ${name}`,
  tried: 'Sent. It should show within a minute.',
  remove: 'Remove',
  removeLabel: (name: string) => `Remove ${name}`,
  removed: 'It is told no more.',
  addThis: 'Tell this device',
  added: 'This device is told from now on.',
  notAllowed:
    'This browser does not let Tembrin show notifications. Allow them in its settings for this page, then try again.',
  notAble: 'This browser has no notifications for web pages. On a phone, install Tembrin on the home screen first.',
  when: 'When',
  quietFrom: 'Nothing from',
  quietTo: 'until',
  quietHint: 'What cannot wait comes when this is over. The same time twice: never quiet.',
  clock: (zone: string) => `By the clock of ${zone}.`,
  useThisZone: (zone: string) => `Use ${zone}, where this device is`,
  digestDays: 'Digest on',
  digestHint: 'Everything that can wait, in one message. No day: no digest.',
  digestAt: 'Digest at',
  ofWhat: 'Of what',
  kinds: 'Tell me of',
  instruments: 'Tell me of these instruments',
  muted: 'Nothing is told of',
  tellAgain: 'Tell of it again',
  tellAgainLabel: (name: string) => `Tell of ${name} again`,
  save: 'Save',
  saved: 'Saved.',
  changedElsewhere:
    'These were changed elsewhere meanwhile. Your own change is still here: look at both, and save once more.',
} as const;

/** What the page behind a letter's link says. */
export const linkCopy = {
  title: 'A reminder',
  letters: 'Letters',
  noKey: 'This link is not whole. Copy it from the letter once more.',
  looking: 'One moment.',
  forWhom: (person: string, household: string) => `For ${person}, ${household}`,
  lettersEnded:
    'No more letters come to you from here. What cannot wait is still told on your devices, and in the app.',
  lettersOn: (household: string) =>
    `Reminders from ${household} come to you by mail. Nothing else is sent with them, and nothing is counted.`,
  endLetters: 'End these letters',
  toSettings: 'When and of what you are reminded',
  thisInstrument: 'this instrument',
  noMoreText: 'You are told no more of it.',
} as const;
