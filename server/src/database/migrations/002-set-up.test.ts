import { FAMILIES, setUpSchema, usualFacts } from '@tembrin/core';
import { widened } from './002-set-up';

test.each(FAMILIES)('the set-up of a %s from before is one of today, with what was known kept', (family) => {
  const usual = usualFacts(family).setUp;
  const before = { shoulderRest: usual.shoulderRest !== 'none', case: usual.case };
  expect(setUpSchema.parse(widened(before, family))).toEqual(usual);
  expect(widened({ shoulderRest: false, case: 'none' }, family)).toMatchObject({ shoulderRest: 'none', case: 'none' });
});
