import { existsSync, readdirSync } from 'node:fs';
import { join } from 'node:path';
import {
  NOTICE_DATA,
  NOTICE_KINDS,
  type ConcernFacts,
  type KnownConcern,
  type NoticeKind,
} from '@tembrin/core/notices';
import { dayOfDate } from '@tembrin/core/time';
import { DONE_STEPS, NOTICE_KIND_TITLES, noticeWords } from '@tembrin/contract';

const HERON = '11111111-1111-4111-8111-111111111111';
const LIGHT = '44444444-4444-4444-8444-444444444444';
const AT = Date.parse('2026-12-05T09:00:00Z');
const day = dayOfDate('2026-12-12');
const names = new Map([
  [HERON, 'Heron'],
  [LIGHT, 'Heron, the light bow'],
]);
const window = { early: AT, middle: AT, late: AT + 86_400_000 };

const FACTS: { readonly [K in NoticeKind]: readonly ConcernFacts[K][] } = {
  air: [
    { side: 'dry', restRh: 0.31, low: 0.4, high: 0.6, limitAt: null, ahead: false },
    { side: 'damp', restRh: 0.58, low: 0.4, high: 0.6, limitAt: AT, ahead: true },
  ],
  dry: [{ dryAt: AT }],
  tight: [
    { bowId: null, since: AT },
    { bowId: LIGHT, since: AT },
  ],
  strings: [
    { side: 'before', day, occasion: 'Quay concert', from: day + 9 },
    { side: 'after', day: day + 3, occasion: 'Quay concert', from: day },
  ],
  visit: [
    {
      day,
      soon: false,
      items: Array.from({ length: 11 }, () => ({ instrumentId: HERON, bowId: null, part: 'checkup' as const })),
    },
  ],
  overdue: [{ loanId: LIGHT, to: 'Oskar', until: day }],
  ending: [
    { loanId: LIGHT, personId: 'pip', until: day, over: false },
    { loanId: LIGHT, personId: 'pip', until: day, over: true },
  ],
  due: [
    { instrumentId: HERON, bowId: null, part: 'strings', day, soon: true, who: 'self', window },
    { instrumentId: HERON, bowId: LIGHT, part: 'hair', day, soon: false, who: 'workshop', window },
  ],
};
const concern = (kind: NoticeKind, facts: object) =>
  ({ kind, about: HERON, instrumentId: HERON, worse: 1, untilMs: AT, facts }) as unknown as KnownConcern;
const all = NOTICE_KINDS.flatMap((kind) =>
  FACTS[kind].map((facts, at) => [`${kind} ${at}`, concern(kind, facts)] as const),
);
const words = (one: KnownConcern) => noticeWords(one, { names, timeZone: 'Europe/Lisbon' });

/** Whether a page of the app has an address: each part of it a file or a folder by its name, or one in brackets. */
function isPage(path: string, folder = join(__dirname, '../app/(shell)')): boolean {
  const [first, ...rest] = path.split('/').filter((part) => part !== '');
  if (first === undefined) return existsSync(join(folder, 'index.tsx'));
  const there = readdirSync(folder);
  const fits = [first, ...there.flatMap((name) => /^\[\w+\]/.exec(name)?.[0] ?? [])];
  return fits.some((name) =>
    rest.length === 0
      ? there.includes(`${name}.tsx`) || (there.includes(name) && existsSync(join(folder, name, 'index.tsx')))
      : there.includes(name) && isPage(rest.join('/'), join(folder, name)),
  );
}

describe.each(all)('%s', (_name, one) => {
  test('says what, why and what to do, of whom, and leads to a page there is', () => {
    const { title, why, todo, path } = words(one);
    for (const text of [title, why, todo]) expect(text.length).toBeGreaterThan(8);
    for (const text of [title, why, todo]) expect(text).not.toMatch(/undefined|NaN|null|Invalid|\[object/);
    if (one.kind !== 'visit') expect(`${title} ${why}`).toContain('Heron');
    expect([path, isPage(path.split('?')[0]!)]).toEqual([path, true]);
  });
});

test('what is told is told in the terms of where it is', () => {
  const told = (kind: NoticeKind, at = 0) => words(concern(kind, FACTS[kind][at]!));
  expect(told('air').why).toBe('Its wood rests at 31 %; its band is 40 % to 60 %.');
  expect(told('tight', 1).title).toBe('Heron, the light bow was left tight');
  expect(told('strings').todo).toMatch(/by Saturday,? 12 December/);
  expect(told('visit').why).toMatch(/; and 3 more\.$/);
  expect(told('visit').todo).toMatch(/^Ask for a day about Saturday,? 12 December\.$/);
  expect(told('due').todo).toBe('Yourself, as soon as it suits.');
  expect(told('due', 1)).toMatchObject({
    title: 'Heron, the light bow: rehair',
    path: `/kit/${HERON}/hair?bow=${LIGHT}`,
  });
});

test('each kind has a name to be switched off by, and what the log can say by itself is of one that cannot wait', () => {
  for (const kind of NOTICE_KINDS) expect(NOTICE_KIND_TITLES[kind].length).toBeGreaterThan(5);
  for (const kind of Object.keys(DONE_STEPS) as NoticeKind[]) expect(NOTICE_DATA[kind].alert).toBe(true);
});

test('a page that is none is told from one that is', () => {
  expect(isPage('/nowhere')).toBe(false);
  expect(isPage(`/kit/${HERON}/strings/more`)).toBe(false);
});
