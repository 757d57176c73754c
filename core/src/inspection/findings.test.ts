import fc from 'fast-check';
import { foldLog, type LogEvent } from '../log';
import { scribe } from '../testing/events';
import { seen } from '../testing/looks';
import { NOW } from '../testing/situations';
import { DAY_MS } from '../time';
import { adviceOn } from './advice';
import { byGravity, findingsOn, forWorkshop, isDanger, lineOf, openFindings } from './findings';

const { event, retract } = scribe();
const ago = (days: number) => NOW - days * DAY_MS;
const open = (events: readonly LogEvent[]) => openFindings(foldLog(events, NOW, 'UTC'), 4);
const looks = (events: readonly LogEvent[]) => open(events).map(({ look, verdict }) => `${look} ${verdict}`);

describe('findings', () => {
  test('stay open until a later look finds it good, or somebody settles them', () => {
    const lean = event(
      'looked-at',
      ago(30),
      seen('bridge-lean', 'watch', { figures: [{ figure: 'bridge-angle', value: 92 }] }),
    );
    const seam = event('looked-at', ago(20), seen('seams', 'act'));
    expect(looks([lean, seam])).toEqual(['bridge-lean watch', 'seams act']);
    expect(looks([lean, seam, event('looked-at', ago(10), seen('bridge-lean', 'good'))])).toEqual(['seams act']);
    const settled = event('finding-settled', ago(5), { findingId: seam.id, how: 'mended' });
    expect(looks([lean, seam, settled])).toEqual(['bridge-lean watch']);
    // Taking the settling back opens it again.
    expect(looks([lean, seam, settled, retract(settled.id, ago(1))])).toHaveLength(2);
    // Found anew afterwards, it is open anew.
    expect(looks([seam, settled, event('looked-at', ago(1), seen('seams', 'watch'))])).toEqual(['seams watch']);
  });

  test('of single strings are told apart, and go with new strings', () => {
    const a = event('looked-at', ago(30), seen('strings', 'watch', { string: 2 }));
    const e = event('looked-at', ago(30), seen('strings', 'act', { string: 3 }));
    const fitted = event('strings-fitted', ago(3), { strings: [3], reason: 'frayed', known: true });
    expect(looks([a, e])).toHaveLength(2);
    expect(open([a, e, fitted]).map(({ string }) => string)).toEqual([2]);
    const all = event('strings-fitted', ago(3), { strings: null, reason: 'worn', known: true });
    expect(looks([a, e, all])).toEqual([]);
    // One after another, as a guided change puts them on.
    const set = event('looked-at', ago(30), seen('strings', 'watch'));
    const single = (string: number) =>
      event('strings-fitted', ago(4 - string), { strings: [string], reason: 'worn', known: true });
    expect(looks([set, single(0), single(1), single(2)])).toHaveLength(1);
    expect(looks([set, single(0), single(1), single(2), single(3)])).toEqual([]);
    // All of them found good, none is left.
    expect(looks([a, e, event('looked-at', ago(2), seen('strings', 'good'))])).toEqual([]);
    const guessed = event('strings-fitted', ago(3), { strings: null, reason: 'on-record', known: false });
    expect(looks([a, e, guessed])).toHaveLength(2);
  });

  test('of hair go with new hair, those of the stick do not', () => {
    const band = event('looked-at', ago(30), seen('hair-band', 'act'));
    const stick = event('looked-at', ago(30), seen('stick', 'watch'));
    const rehaired = event('rehaired', ago(3), { reason: 'worn', known: true });
    expect(looks([band, stick, rehaired])).toEqual(['stick watch']);
    const log = foldLog([band, stick], NOW, 'UTC');
    expect(findingsOn('bow', log, 4)).toHaveLength(2);
    expect(findingsOn('instrument', log, 4)).toHaveLength(0);
  });

  test('put danger first, and know what is the workshop’s business', () => {
    const found = open([
      event('looked-at', ago(1), seen('chin-rest', 'act')),
      event('looked-at', ago(2), seen('seams', 'watch')),
      event('looked-at', ago(9), seen('post', 'act')),
    ]);
    expect(byGravity(found).map(({ look }) => look)).toEqual(['post', 'chin-rest', 'seams']);
    expect(found.filter(isDanger).map(({ look }) => look)).toEqual(['post']);
    expect(forWorkshop(found).map(({ look }) => look)).toEqual(['post', 'seams']);
  });

  test('of one thing make a line, and its figures stand among the measures', () => {
    const at = [300, 200, 100].map((days, index) =>
      event(
        'looked-at',
        ago(days),
        seen('bridge-lean', 'good', { figures: [{ figure: 'bridge-angle', value: 90 + index }] }),
      ),
    );
    const log = foldLog(at, NOW, 'UTC');
    expect(lineOf(log, 'bridge-lean').flatMap(({ figures }) => figures.map(({ value }) => value))).toEqual([
      90, 91, 92,
    ]);
    expect(log.measures.map(({ figure, value }) => [figure, value])).toEqual([
      ['bridge-angle', 90],
      ['bridge-angle', 91],
      ['bridge-angle', 92],
    ]);
  });

  /** Looks at two things and settlings of them, anywhere in time. */
  const history = fc
    .array(
      fc.record({
        daysAgo: fc.integer({ min: 1, max: 400 }),
        look: fc.constantFrom('seams' as const, 'bridge-lean' as const),
        verdict: fc.constantFrom('good' as const, 'watch' as const, 'act' as const),
        settledAfter: fc.option(fc.integer({ min: -5, max: 60 })),
      }),
      { maxLength: 12 },
    )
    .map((all) => {
      const { event: entry } = scribe();
      return all.flatMap(({ daysAgo, look, verdict, settledAfter }): LogEvent[] => {
        const finding = entry('looked-at', ago(daysAgo), seen(look, verdict));
        if (settledAfter === null) return [finding];
        const at = Math.min(NOW, ago(daysAgo - settledAfter));
        return [finding, entry('finding-settled', at, { findingId: finding.id, how: 'seen-to' })];
      });
    });

  test('fold to the same in any order of arrival', () => {
    fc.assert(
      fc.property(
        history.chain((events) =>
          fc.tuple(fc.constant(events), fc.shuffledSubarray(events, { minLength: events.length })),
        ),
        ([events, shuffled]) => {
          expect(open(shuffled)).toEqual(open(events));
        },
      ),
    );
  });

  test('that are settled are never opened by an entry that arrives late', () => {
    fc.assert(
      fc.property(
        history,
        fc.integer({ min: 0, max: 399 }),
        fc.constantFrom('watch' as const, 'act' as const),
        (events, days, verdict) => {
          const { event: late } = scribe('00000000-0000-4000-8000-0000000000ff');
          const finding = event('looked-at', ago(400), seen('seams', 'act'));
          const settled = event('finding-settled', ago(0), { findingId: finding.id, how: 'mended' });
          const before = [
            finding,
            settled,
            ...events.filter((each) => each.type !== 'looked-at' || each.payload.look !== 'seams'),
          ];
          const more = {
            ...late('looked-at', ago(days), seen('seams', verdict)),
            id: '00000000-0000-4000-8000-00000000aaaa',
          };
          expect(open([...before, more]).filter(({ look }) => look === 'seams')).toEqual([]);
        },
      ),
    );
  });
});

describe('what follows from a finding', () => {
  const air = (state: 'act' | 'fine', side: 'dry' | 'damp' | null, restRh = 0.31) =>
    ({ verdict: { state, side, body: { restRh } } }) as unknown as Parameters<typeof adviceOn>[1];

  test('sharp fret ends in dry wood: the air first; in usual air a technician', () => {
    expect(adviceOn({ look: 'fret-ends', verdict: 'act' }, air('act', 'dry'))).toEqual({
      who: 'self',
      when: 'visit',
      airFirst: { side: 'dry', restRh: 0.31 },
    });
    expect(adviceOn({ look: 'fret-ends', verdict: 'act' }, air('act', 'damp', 0.7))).toMatchObject({
      who: 'workshop',
      airFirst: null,
    });
    expect(adviceOn({ look: 'fret-ends', verdict: 'act' }, null)).toMatchObject({ who: 'workshop', airFirst: null });
  });

  test('danger is never put off for the air', () => {
    expect(adviceOn({ look: 'outside', verdict: 'act' }, air('act', 'dry'))).toEqual({
      who: 'workshop',
      when: 'danger',
      airFirst: null,
    });
  });

  test('what is only watched is looked at again by who looked', () => {
    expect(adviceOn({ look: 'pegs', verdict: 'watch' }, air('fine', null))).toEqual({
      who: 'self',
      when: 'again',
      airFirst: null,
    });
  });
});
