import fc from 'fast-check';
import type * as Contract from '@tembrin/contract';
import { usualFacts, FAMILIES } from '@tembrin/core/instruments';
import type { z as Zod } from 'zod';
import fromTheFile from '../../from-the-file';

interface Later {
  z: typeof Zod;
  provide: (library: unknown) => void;
}

/** The contract with schemas that are built when they are asked, and as it is. */
let later: typeof Contract;
let noted: Later;
const real = jest.requireActual<typeof Contract>('@tembrin/contract');
beforeAll(() => {
  jest.isolateModules(() => {
    jest.doMock('zod', () => jest.requireActual<Later>('./zod-later'));
    noted = jest.requireActual<Later>('./zod-later');
    later = jest.requireActual<typeof Contract>('@tembrin/contract');
  });
  jest.dontMock('zod');
});

const NAMES = [
  'newInstrumentSchema',
  'cardFactsSchema',
  'newPersonSchema',
  'householdSchema',
  'credentialsSchema',
] as const;
const id = '00000000-0000-4000-8000-00000000000a';
const loan = {
  ...{ instrumentId: id, personId: null, to: 'Oskar', reached: null, from: '2026-09-02', until: '2026-09-01' },
  ...{ along: [{ title: ' Bow ', back: null }], strings: 'lender', note: null, back: null },
};
const SAMPLES: readonly unknown[] = [
  null,
  {},
  { id, name: ' Heron ', ...usualFacts('violin') },
  { id, name: '', ...usualFacts('harp') },
  { id, name: 'Tern', ...usualFacts('guitar'), kind: 'pedal' },
  { kind: 'loan', facts: loan },
  { kind: 'loan', facts: { ...loan, until: '2026-10-01' } },
  {
    id,
    name: 'Pip',
    role: 'player',
    plays: [id.toUpperCase()],
    looksAfter: [],
    schools: { cloths: 'B' },
    hands: 'low',
  },
  { id, name: 'Pip', role: 'king', plays: [], looksAfter: [] },
  { email: ' Maris@Example.org ', password: 'quiet harbour tern' },
  { email: 'maris', password: '' },
];

test('before the library is there nothing can be asked, and nothing is looked at by mistake', () => {
  expect(() => later.newPersonSchema.safeParse({})).toThrow(/asked before they were loaded/);
  expect(() => ({ ...(later.newPersonSchema as object) })).toThrow(/nothing of it can be looked at/);
  expect(() => `${String(later.newPersonSchema)}`).toThrow(/nothing of it can be looked at/);
});

describe('with it', () => {
  // As the bundler cuts it out: what is not said anywhere is not there.
  const library = new Map(Object.entries(jest.requireActual<Later>('zod').z));
  const used = fromTheFile.usedOfSchemas();
  beforeAll(() => noted.provide(Object.fromEntries(used.map((name) => [name, library.get(name)]))));

  test('whatever the contract says of anything can be asked', () => {
    const schemas = Object.entries(later).filter(([name]) => name.endsWith('Schema'));
    expect(schemas.length).toBeGreaterThan(40);
    for (const [name, schema] of schemas) {
      const other = real[name as keyof typeof real] as { safeParse: (value: unknown) => { success: boolean } };
      expect((schema as typeof other).safeParse({ name }).success).toBe(other.safeParse({ name }).success);
    }
  });

  test.each(NAMES)('%s says of everything what it says as it is', (name) => {
    for (const sample of SAMPLES) {
      const [one, other] = [later[name].safeParse(sample), real[name].safeParse(sample)];
      expect(one.success).toBe(other.success);
      expect(one.data).toEqual(other.data);
      expect(one.error?.issues).toEqual(other.error?.issues);
    }
  });

  test('whatever an instrument is called, it is read the same', () => {
    fc.assert(
      fc.property(fc.constantFrom(...FAMILIES), fc.string({ maxLength: 80 }), (family, name) => {
        const sample = { id, name, ...usualFacts(family) };
        const [one, other] = [later, real].map((of) => of.newInstrumentSchema.safeParse(sample));
        expect([one!.data, one!.error?.issues]).toEqual([other!.data, other!.error?.issues]);
      }),
    );
  });
});
