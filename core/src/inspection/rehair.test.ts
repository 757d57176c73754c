import fc from 'fast-check';
import { hairVerdict, rehairOrBow } from './rehair';

test('the verdict of a look at the hair: well, watch, rehair, rehair or another bow', () => {
  const found = (look: 'hair-band' | 'stick', verdict: 'watch' | 'act') => [{ look, verdict }] as const;
  expect(hairVerdict([], false, false)).toBe('well');
  expect(hairVerdict(found('stick', 'act'), false, false)).toBe('well');
  expect(hairVerdict(found('hair-band', 'watch'), false, true)).toBe('watch');
  expect(hairVerdict(found('hair-band', 'act'), false, false)).toBe('rehair');
  // A small student bow may cost less than its rehair [handbook 9, common practice].
  expect(hairVerdict(found('hair-band', 'act'), false, true)).toBe('rehair-or-bow');
  expect(hairVerdict([], true, false)).toBe('rehair');
});

test('a bow that costs less than the rehair is the cheaper way; a good stick is not', () => {
  const small = { rehairPrice: 55, bowPrice: 40, hairMonths: 20, sizeMonths: 12 };
  expect(rehairOrBow(small)).toEqual({ months: 12, rehairs: 1, rehairCost: 55, bowCost: 40, cheaper: 'bow' });
  expect(rehairOrBow({ ...small, bowPrice: 900, sizeMonths: null }).cheaper).toBe('rehair');
  // Two hairs fall into two years of a size that is played much: the new bow wants one of them.
  expect(rehairOrBow({ rehairPrice: 50, bowPrice: 50, hairMonths: 13, sizeMonths: 24 })).toEqual({
    months: 24,
    rehairs: 2,
    rehairCost: 100,
    bowCost: 100,
    cheaper: 'equal',
  });
  expect(() => rehairOrBow({ ...small, hairMonths: 0 })).toThrow(RangeError);
});

test('a dearer bow never becomes the cheaper way', () => {
  const price = fc.double({ min: 1, max: 500, noNaN: true });
  const months = fc.double({ min: 1, max: 60, noNaN: true });
  fc.assert(
    fc.property(price, price, price, months, months, (rehairPrice, bowPrice, more, hairMonths, sizeMonths) => {
      const at = (bow: number) => rehairOrBow({ rehairPrice, bowPrice: bow, hairMonths, sizeMonths });
      if (at(bowPrice).cheaper === 'rehair') expect(at(bowPrice + more).cheaper).toBe('rehair');
      expect(at(bowPrice).bowCost - at(bowPrice).rehairCost).toBeCloseTo(bowPrice - rehairPrice, 6);
    }),
  );
});
