import { dayOfDate } from '@tembrin/core';
import ICAL from 'ical.js';
import { readCalendar } from './calendar-read';

const NOW = Date.parse('1997-09-01T12:00:00Z');
const wrap = (...blocks: string[]) =>
  ['BEGIN:VCALENDAR', 'VERSION:2.0', 'PRODID:-//test//EN', ...blocks, 'END:VCALENDAR', ''].join('\r\n');
const entry = (...lines: string[]) =>
  ['BEGIN:VEVENT', 'UID:one', 'SUMMARY:Concert', ...lines, 'END:VEVENT'].join('\r\n');
const change = (kind: string, from: string, to: string, name: string, start: string, rule: string) =>
  [
    `BEGIN:${kind}`,
    `DTSTART:${start}`,
    `RRULE:${rule}`,
    `TZOFFSETFROM:${from}`,
    `TZOFFSETTO:${to}`,
    `TZNAME:${name}`,
    `END:${kind}`,
  ].join('\r\n');
/** Zones as a calendar program describes them, by the rules of 1997. From memory. */
const ZONES: Readonly<Record<string, string>> = {
  'America/New_York': [
    change('DAYLIGHT', '-0500', '-0400', 'EDT', '19870405T020000', 'FREQ=YEARLY;BYMONTH=4;BYDAY=1SU'),
    change('STANDARD', '-0400', '-0500', 'EST', '19671029T020000', 'FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU'),
  ].join('\r\n'),
  'Europe/Lisbon': [
    change('DAYLIGHT', '+0000', '+0100', 'WEST', '19960331T010000', 'FREQ=YEARLY;BYMONTH=3;BYDAY=-1SU'),
    change('STANDARD', '+0100', '+0000', 'WET', '19961027T020000', 'FREQ=YEARLY;BYMONTH=10;BYDAY=-1SU'),
  ].join('\r\n'),
  'Asia/Tokyo': [
    'BEGIN:STANDARD',
    'DTSTART:19510909T010000',
    'TZOFFSETFROM:+0900',
    'TZOFFSETTO:+0900',
    'TZNAME:JST',
    'END:STANDARD',
  ].join('\r\n'),
};
const describedAs = (tzid: string, zone: string) =>
  ['BEGIN:VTIMEZONE', `TZID:${tzid}`, ZONES[zone]!, 'END:VTIMEZONE'].join('\r\n');

/** Days an entry takes place on, as Tembrin reads them. */
async function daysOf(text: string, timeZone: string): Promise<string[]> {
  const { occasions, unreadable } = await readCalendar(text, timeZone, NOW);
  expect(unreadable).toEqual([]);
  return occasions.flatMap(({ spans }) => spans.map(({ from }) => from));
}

const FIRST = dayOfDate('1997-08-01');
const LAST = dayOfDate('1997-09-01') + 2 * 366;
/** The same by another library's own expansion, in the two years looked at. */
function byReference(text: string): string[] {
  const calendar = new ICAL.Component(ICAL.parse(text) as never);
  for (const zone of calendar.getAllSubcomponents('vtimezone')) ICAL.TimezoneService.register(zone as never);
  const days: string[] = [];
  for (const component of calendar.getAllSubcomponents('vevent')) {
    const walk = new ICAL.Event(component as never).iterator();
    for (let time = walk.next(); time && days.length < 400; time = walk.next()) {
      const day = time.toString().slice(0, 10);
      if (dayOfDate(day) > LAST) break;
      if (dayOfDate(day) >= FIRST) days.push(day);
    }
  }
  ICAL.TimezoneService.reset();
  return [...new Set(days)];
}

/** Published: RFC 5545, section 3.8.5.3; those that repeat within a day are refused, and the one every 18 months is cut to two years. */
const RULES = [
  'FREQ=DAILY;COUNT=10',
  'FREQ=DAILY;UNTIL=19971224T000000Z',
  'FREQ=DAILY;INTERVAL=2;COUNT=90',
  'FREQ=DAILY;INTERVAL=10;COUNT=5',
  'FREQ=YEARLY;UNTIL=20000131T140000Z;BYMONTH=1;BYDAY=SU,MO,TU,WE,TH,FR,SA',
  'FREQ=WEEKLY;COUNT=10',
  'FREQ=WEEKLY;UNTIL=19971224T000000Z',
  'FREQ=WEEKLY;INTERVAL=2;WKST=SU',
  'FREQ=WEEKLY;UNTIL=19971007T000000Z;WKST=SU;BYDAY=TU,TH',
  'FREQ=WEEKLY;INTERVAL=2;UNTIL=19971224T000000Z;WKST=SU;BYDAY=MO,WE,FR',
  'FREQ=WEEKLY;INTERVAL=2;COUNT=8;WKST=SU;BYDAY=TU,TH',
  'FREQ=MONTHLY;COUNT=10;BYDAY=1FR',
  'FREQ=MONTHLY;UNTIL=19971224T000000Z;BYDAY=1FR',
  'FREQ=MONTHLY;INTERVAL=2;COUNT=10;BYDAY=1SU,-1SU',
  'FREQ=MONTHLY;COUNT=6;BYDAY=-2MO',
  'FREQ=MONTHLY;BYMONTHDAY=-3',
  'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=2,15',
  'FREQ=MONTHLY;COUNT=10;BYMONTHDAY=1,-1',
  'FREQ=MONTHLY;INTERVAL=18;COUNT=10;BYMONTHDAY=10,11,12,13,14,15',
  'FREQ=MONTHLY;INTERVAL=2;BYDAY=TU',
  'FREQ=YEARLY;COUNT=10;BYMONTH=6,7',
  'FREQ=YEARLY;INTERVAL=2;COUNT=10;BYMONTH=1,2,3',
  'FREQ=YEARLY;INTERVAL=3;COUNT=10;BYYEARDAY=1,100,200',
  'FREQ=YEARLY;BYDAY=20MO',
  'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO',
  'FREQ=YEARLY;BYMONTH=3;BYDAY=TH',
  'FREQ=YEARLY;BYDAY=TH;BYMONTH=6,7,8',
  'FREQ=MONTHLY;BYDAY=FR;BYMONTHDAY=13',
  'FREQ=MONTHLY;BYDAY=SA;BYMONTHDAY=7,8,9,10,11,12,13',
  'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3',
  'FREQ=MONTHLY;BYDAY=MO,TU,WE,TH,FR;BYSETPOS=-2',
  'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=MO',
  'FREQ=WEEKLY;INTERVAL=2;COUNT=4;BYDAY=TU,SU;WKST=SU',
  'FREQ=MONTHLY;BYMONTHDAY=15,30;COUNT=5',
];

/** Where the other library differs from the examples of the standard itself, their own dates: it takes every Monday for the 20th, … */
const BY_THE_STANDARD: Readonly<Record<string, readonly string[]>> = {
  'FREQ=YEARLY;BYDAY=20MO': ['1998-05-18', '1999-05-17'],
  // … and every week for the 20th, …
  'FREQ=YEARLY;BYWEEKNO=20;BYDAY=MO': ['1998-05-11', '1999-05-17'],
  // … and does not take up a month in which the start lies before the place asked for.
  'FREQ=MONTHLY;COUNT=3;BYDAY=TU,WE,TH;BYSETPOS=3': ['1997-09-04', '1997-10-07', '1997-11-06'],
};

describe.each(Object.keys(ZONES))('repetitions in %s', (zone) => {
  test.each(RULES)('%s are those of another library, or the standard’s own', async (rule) => {
    const own = entry(`DTSTART;TZID=${zone}:19970902T090000`, `RRULE:${rule}`);
    const text = wrap(describedAs(zone, zone), own);
    const days = await daysOf(text, zone);
    // The start itself counts even where the rule has it not; the library leaves it out there.
    const reference = BY_THE_STANDARD[rule] ?? byReference(text);
    expect(days.filter((day) => day !== '1997-09-02')).toEqual(reference.filter((day) => day !== '1997-09-02'));
    expect(days.length).toBeGreaterThan(0);
  });
});

describe('single dates of a series', () => {
  const series = (...more: string[]) =>
    entry('DTSTART;TZID=America/New_York:19970902T200000', 'RRULE:FREQ=WEEKLY;COUNT=4', ...more);
  const NEW_YORK = 'America/New_York';

  test('its end said in UTC lies on its own wall', async () => {
    // 20:00 in New York is midnight UTC: the one of the 9th begins at 00:00 UTC on the 10th.
    const until = (text: string) =>
      wrap(entry('DTSTART;TZID=America/New_York:19970902T200000', `RRULE:FREQ=WEEKLY;UNTIL=${text}`));
    expect(await daysOf(until('19970910T000000Z'), NEW_YORK)).toEqual(['1997-09-02', '1997-09-09']);
    expect(await daysOf(until('19970909T235959Z'), NEW_YORK)).toEqual(['1997-09-02']);
    expect(await daysOf(until('19970909'), NEW_YORK)).toEqual(['1997-09-02', '1997-09-09']);
  });

  test('those taken out: in its zone, in UTC, or by the day', async () => {
    for (const line of [
      'EXDATE;TZID=America/New_York:19970909T200000',
      'EXDATE:19970910T000000Z',
      'EXDATE;VALUE=DATE:19970909',
    ])
      expect([line, await daysOf(wrap(series(line)), NEW_YORK)]).toEqual([
        line,
        ['1997-09-02', '1997-09-16', '1997-09-23'],
      ]);
  });

  test('those put in: in UTC, or as a stretch', async () => {
    expect(await daysOf(wrap(series('RDATE:19971001T010000Z')), NEW_YORK)).toContain('1997-09-30');
    const { occasions } = await readCalendar(
      wrap(series('RDATE;VALUE=PERIOD:19971001T150000Z/19971003T150000Z,19971010T150000Z/PT2H')),
      NEW_YORK,
      NOW,
    );
    expect(occasions[0]!.spans).toEqual(
      expect.arrayContaining([
        { from: '1997-10-01', to: '1997-10-03' },
        { from: '1997-10-10', to: '1997-10-10' },
      ]),
    );
  });

  test('one that was moved, named in UTC; and one with all that follow', async () => {
    const moved = (id: string, start: string) => entry(`RECURRENCE-ID${id}`, `DTSTART;TZID=America/New_York:${start}`);
    expect(await daysOf(wrap(series(), moved(':19970910T000000Z', '19970911T200000')), NEW_YORK)).toEqual([
      '1997-09-02',
      '1997-09-11',
      '1997-09-16',
      '1997-09-23',
    ]);
    const following = moved(';RANGE=THISANDFUTURE;TZID=America/New_York:19970909T200000', '19970910T200000');
    expect(await daysOf(wrap(series(), following), NEW_YORK)).toEqual([
      '1997-09-02',
      '1997-09-10',
      '1997-09-17',
      '1997-09-24',
    ]);
  });
});

describe('zones by whatever name', () => {
  const at = (tzid: string, ...blocks: string[]) =>
    wrap(...blocks, entry(`DTSTART;TZID=${tzid}:19970902T230000`, 'DURATION:PT1H'));

  test('as another system calls them, and as the file describes them', async () => {
    // 23:00 in New York is the next day in Lisbon.
    expect(await daysOf(at('Eastern Standard Time'), 'Europe/Lisbon')).toEqual(['1997-09-03']);
    expect(await daysOf(at('GMT Standard Time'), 'Europe/Lisbon')).toEqual(['1997-09-02']);
    expect(await daysOf(at('Our Hall', describedAs('Our Hall', 'America/New_York')), 'Europe/Lisbon')).toEqual([
      '1997-09-03',
    ]);
    // A known name is what everybody takes it for, whatever the file says of it.
    expect(await daysOf(at('Europe/Lisbon', describedAs('Europe/Lisbon', 'Asia/Tokyo')), 'Europe/Lisbon')).toEqual([
      '1997-09-02',
    ]);
  });

  test('one that nobody knows is told, not guessed; and one that changes its clocks by the second is none', async () => {
    const unknown = await readCalendar(at('Nowhere'), 'Europe/Lisbon', NOW);
    expect(unknown).toMatchObject({ occasions: [], unreadable: [{ why: expect.stringMatching(/“Nowhere”/) }] });
    const wild = describedAs('Wild', 'America/New_York').replace('FREQ=YEARLY', 'FREQ=SECONDLY');
    expect((await readCalendar(at('Wild', wild), 'Europe/Lisbon', NOW)).occasions).toEqual([]);
  });
});

test('entries without a name of their own have one by what they say, the same each time', async () => {
  const nameless = (title: string) =>
    wrap(['BEGIN:VEVENT', `SUMMARY:${title}`, 'DTSTART;VALUE=DATE:19970910', 'END:VEVENT'].join('\r\n'));
  const uid = async (title: string) => (await readCalendar(nameless(title), 'UTC', NOW)).occasions[0]!.uid;
  expect(await uid('Concert')).toBe(await uid('Concert'));
  expect(await uid('Concert')).not.toBe(await uid('Recital'));
});
