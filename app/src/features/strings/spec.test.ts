import fc from 'fast-check';
import { EMPTY_SPEC, readSpec, specText } from './SpecFields';
import { densityOf } from '@tembrin/core/strings';
import { plainString, statedString, stringSpecSchema } from '@tembrin/core/instruments';

const E5 = { lengthMm: 328, hz: 659.2551 };

test('what a packet says is read: gauge, tension for its own or a stated length and pitch, weight', () => {
  expect(readSpec({ ...EMPTY_SPEC, gauge: '.0105' }, E5, null)).toEqual({ ...plainString('steel', 0.2667) });
  expect(readSpec({ ...EMPTY_SPEC, tension: '78,5' }, E5, null)).toMatchObject({
    gaugeMm: null,
    stated: { tensionN: 78.5, lengthMm: 328, hz: 659.2551 },
  });
  expect(readSpec({ ...EMPTY_SPEC, tension: '80', length: '325', pitch: '660' }, E5, null)).toMatchObject({
    stated: { tensionN: 80, lengthMm: 325, hz: 660 },
  });
  expect(readSpec({ ...EMPTY_SPEC, density: '0.42' }, E5, null)).toMatchObject({ densityGPerM: 0.42, stated: null });
});

test('each mistake is told at its own field', () => {
  const errors = (more: Partial<typeof EMPTY_SPEC>) => {
    const read = readSpec({ ...EMPTY_SPEC, ...more }, E5, null);
    return 'errors' in read ? Object.keys(read.errors) : [];
  };
  expect(errors({ gauge: '0' })).toEqual(['gauge']);
  expect(errors({ gauge: '5' })).toEqual(['gauge']);
  expect(errors({ gauge: 'thin' })).toEqual(['gauge']);
  expect(errors({ tension: 'much' })).toEqual(['tension']);
  expect(errors({ tension: '9000' })).toEqual(['tension']);
  expect(errors({ tension: '80', length: '5' })).toEqual(['length']);
  expect(errors({ tension: '80', pitch: '1' })).toEqual(['pitch']);
  expect(errors({ density: '900' })).toEqual(['density']);
  expect(errors({ gauge: '0', density: '0' }).sort()).toEqual(['density', 'gauge']);
});

test('a string opened and closed again is the same string, to the last decimal', () => {
  const specs = fc.record({
    tensionN: fc.double({ min: 3, max: 1000, noNaN: true }),
    lengthMm: fc.integer({ min: 60, max: 1500 }),
    hz: fc.double({ min: 20, max: 4000, noNaN: true }),
  });
  fc.assert(
    fc.property(specs, (stated) => {
      const spec = statedString('synthetic', 'silver', stated);
      expect(stringSpecSchema.safeParse(spec).success).toBe(true);
      expect(readSpec(specText(spec), E5, spec)).toEqual(spec);
    }),
  );
});

test('a tension changed by hand keeps the length and pitch beside it', () => {
  const spec = statedString('steel', 'plain', { tensionN: 75, lengthMm: 325, hz: 660 }, 0.26);
  const read = readSpec({ ...specText(spec), tension: '80' }, E5, spec);
  expect(read).toMatchObject({ gaugeMm: 0.26, stated: { tensionN: 80, lengthMm: 325, hz: 660 } });
  if ('errors' in read) throw new Error('read');
  expect(densityOf(read)!.density).toBeGreaterThan(densityOf(spec)!.density);
});
