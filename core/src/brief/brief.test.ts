import fc from 'fast-check';
import { briefOf, briefSchema, MOST_PHOTOS } from '.';
import { usualFacts } from '../instruments';
import { scribe } from '../testing/events';
import { seen } from '../testing/looks';
import { anyFacts, anyLog, NOW, situation } from '../testing/situations';
import { DAY_MS } from '../time';
import type { PlannedItem } from '../year';

const { event } = scribe();
const at = (daysAgo: number) => NOW - daysAgo * DAY_MS;
const violin = usualFacts('violin');
const planned = (inDays: number, who: 'self' | 'workshop'): PlannedItem =>
  ({ part: 'hair', who, day: Math.floor(NOW / DAY_MS) + inDays, instrumentId: 'v' }) as PlannedItem;

test('tells what the handbook has it tell: noticed, found, changed, tried, figures, what is due anyway [handbook 11]', () => {
  const trouble = event('trouble-noticed', at(20), { symptoms: ['buzz-many'], by: 'player' });
  const over = event('trouble-noticed', at(200), { symptoms: ['hollow'], by: 'player' });
  const work = event('job-began', at(10), { job: 'loose-parts' });
  const brief = briefOf(
    situation(violin, [
      over,
      event('trouble-settled', at(190), { troubleId: over.id, cause: 'bridge-moved', by: 'teacher', note: '' }),
      trouble,
      event('looked-at', at(5), seen('seams', 'act')),
      event('looked-at', at(5), seen('fine-tuners', 'watch')),
      event('strings-fitted', at(40), { strings: [2], reason: 'broke', known: true }),
      event('strings-fitted', at(400), { strings: null, reason: 'worn', known: true }),
      event('knocked', at(21), {}),
      event('rehaired', at(80), { reason: 'worn', known: true }),
      work,
      event('job-ended', at(9), { jobId: work.id, finished: true, note: 'Nothing of these' }),
      event('measured', at(300), { figure: 'rest-left', value: 30 }),
      event('measured', at(30), { figure: 'rest-left', value: 34 }),
      event('measured', at(30), { figure: 'bridge-angle', value: 90 }),
    ]),
    [planned(10, 'workshop'), planned(100, 'workshop'), planned(5, 'self')],
  );
  expect(brief.troubles.map(({ symptoms }) => symptoms)).toEqual([['buzz-many']]);
  expect(brief.found.map(({ look }) => look)).toEqual(['seams']);
  expect(brief.besides.map(({ look }) => look)).toEqual(['fine-tuners']);
  expect(brief.changes.map(({ what }) => what)).toEqual(['fall', 'strings', 'hair']);
  expect(brief.tried).toEqual([{ job: 'loose-parts', at: at(9), note: 'Nothing of these' }]);
  expect(brief.figures.map(({ figure, moved, last }) => [figure, moved, last?.value])).toEqual([
    ['rest-left', true, 34],
  ]);
  expect(brief.due.map(({ day }) => day - Math.floor(NOW / DAY_MS))).toEqual([10]);
  expect(brief.air).toBeNull();
});

test('photographs of what is told go along, the last first, twelve at most', () => {
  const found = event('looked-at', at(200), seen('seams', 'act'));
  const photo = (n: number, daysAgo: number, findingId: string | null, look: 'seams' | 'post' | null = null) =>
    event('photographed', at(daysAgo), { photo: String(n).padStart(64, '0'), look, zone: null, findingId });
  const old = photo(1, 200, null, 'post');
  const brief = briefOf(situation(violin, [found, old, photo(2, 199, found.id), photo(3, 10, null)]), []);
  expect(brief.photos.map(({ photo: hash }) => Number(hash))).toEqual([3, 2]);
  const many = Array.from({ length: 20 }, (_, n) => photo(n, 20 - n, null));
  expect(briefOf(situation(violin, many), []).photos).toHaveLength(MOST_PHOTOS);
});

test('of any instrument and any log comes a brief, each list in its order', () => {
  fc.assert(
    fc.property(anyFacts, anyLog, (own, events) => {
      const { changes, photos, figures } = briefOf(situation(own, events), []);
      for (const list of [changes, photos])
        expect(list.map(({ at: each }) => each)).toEqual([...list].map(({ at: each }) => each).sort((a, b) => b - a));
      for (const { first, last } of figures) if (last) expect(last.at).toBeGreaterThanOrEqual(first.at);
    }),
    { numRuns: 80 },
  );
});

test('a document is bounded as a whole and in each part, and says what to shorten', () => {
  const document = {
    instrumentId: '00000000-0000-4000-8000-000000000000',
    title: 'A buzz',
    about: 'Violin.',
    sections: [{ title: 'Noticed', lines: ['It buzzes.'] }],
    wishes: '',
    photos: [],
  };
  expect(briefSchema.parse(document)).toEqual(document);
  const why = (part: object) => briefSchema.safeParse({ ...document, ...part }).error?.issues[0]?.message;
  expect(why({ title: ' ' })).toBe('Give the brief a title.');
  expect(why({ wishes: 'x'.repeat(601) })).toMatch(/600/);
  expect(why({ photos: Array.from({ length: 13 }, () => 'a'.repeat(64)) })).toMatch(/12 photographs/);
  expect(why({ photos: ['../../etc/passwd'] })).toBeDefined();
  const long = { title: 'Long', lines: Array.from({ length: 20 }, () => 'x'.repeat(290)) };
  expect(why({ sections: [long, long, long] })).toMatch(/Shorten it/);
});
