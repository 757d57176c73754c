import fc from 'fast-check';
import { plainString } from '../instruments';
import { foldLog, logEventSchema } from '../log';
import { scribe } from '../testing/events';
import { described } from './described';

const E = plainString('steel', 0.26);
const { event } = scribe();

test('a fitting described afterwards is an entry that may be made, whatever the first said and whoever made it', () => {
  const id = '00000000-0000-4000-8000-00000000aaaa';
  const optional = {
    by: fc.constantFrom('self' as const, undefined),
    spares: fc.constantFrom([id, null, null, null], null, undefined),
    changeId: fc.constantFrom(id, null, undefined),
    who: fc.constantFrom(id, undefined),
    strings: fc.constantFrom([0, 1, 2, 3], [2], null),
  };
  fc.assert(
    fc.property(fc.record(optional), ({ who, ...rest }) => {
      const said = Object.fromEntries(Object.entries(rest).filter(([, value]) => value !== undefined));
      const first = event('strings-fitted', '2026-01-01T10:00:00Z', {
        strings: null,
        reason: 'worn',
        known: true,
        ...said,
      });
      const log = foldLog([who ? { ...first, by: who } : first], Date.parse('2026-02-01T10:00:00Z'), 'UTC');
      const payload = described(log.fittings[0]!, 4, (position) => (position === 2 ? E : null));
      const again = event('strings-fitted', '2026-01-01T10:00:00Z', payload);
      expect(logEventSchema.parse(again)).toEqual(again);
      expect(payload).toMatchObject({ ...said, reason: 'worn', known: true });
      expect(payload.specs).toEqual(rest.strings?.length === 1 ? [E] : [null, null, E, null]);
    }),
  );
});
