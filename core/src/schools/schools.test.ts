import { SCHOOL_DATA, SCHOOLS, schoolChoicesSchema, sidesOf } from '.';
import { FAMILIES, schoolsFor, schoolsOf, usualSide } from '../instruments';

test('the instrument’s own choice goes before the household’s, and that before the usual', () => {
  expect(schoolsFor('violin').cloths).toBe(usualSide('cloths', 'violin'));
  expect(schoolsFor('violin', { cloths: 'B' }).cloths).toBe('B');
  expect(schoolsFor('violin', { cloths: 'B' }, { cloths: 'A' }).cloths).toBe('A');
  expect(Object.keys(schoolsFor('harp'))).toEqual(SCHOOLS);
});

test('a family is asked only what concerns it', () => {
  expect(schoolsOf('harp')).toEqual(['air', 'beforePlaying', 'checkup']);
  expect(schoolsOf('guitar')).toEqual(['place', 'kept', 'air', 'changing', 'beforePlaying', 'checkup']);
  expect(schoolsOf('cello')).not.toContain('kept');
});

test('every school has two sides with reasons, and a default for each family', () => {
  for (const id of SCHOOLS) {
    const { A, B } = SCHOOL_DATA[id].sides;
    expect(A.does).not.toBe(B.does);
    expect(A.why.length > 10 && B.why.length > 10).toBe(true);
    for (const family of FAMILIES) expect(sidesOf(id)).toContain(usualSide(id, family));
  }
});

test('choices are sides of known schools', () => {
  expect(schoolChoicesSchema.parse({})).toEqual({});
  expect(schoolChoicesSchema.safeParse({ cloths: 'C' }).success).toBe(false);
  expect(schoolChoicesSchema.safeParse({ spirit: 'A' }).success).toBe(false);
});
