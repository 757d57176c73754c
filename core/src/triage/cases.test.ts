import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { CAUSES, caseSchema, judgeCase, type CauseId, type HowSoon, type Mender } from '.';
import { FAMILIES } from '../instruments';

interface Told {
  title: string;
  mark: string;
  case: unknown;
  cause: CauseId;
  who: Mender;
  when: HowSoon;
  danger: boolean;
}
const FOLDER = join(__dirname, 'cases');
const told = readdirSync(FOLDER).flatMap((file) => JSON.parse(readFileSync(join(FOLDER, file), 'utf8')) as Told[]);
const judged = told.map((each) => ({ ...each, judgement: judgeCase(caseSchema.parse(each.case)) }));
const share = (test: (each: (typeof judged)[number]) => boolean) => judged.filter(test).length / judged.length;
const wrong = (test: (each: (typeof judged)[number]) => boolean) =>
  judged
    .filter((each) => !test(each))
    .map(
      ({ title, cause, judgement: { causes, who, when } }) =>
        `${title}: ${cause}, not ${causes
          .slice(0, 3)
          .map(({ id, chance }) => `${id} ${chance.toFixed(2)}`)
          .join(', ')}; ${who} ${when}`,
    );

test('there are sixty at least, of every family', () => {
  expect(told.length).toBeGreaterThanOrEqual(60);
  for (const family of FAMILIES)
    expect(told.some((each) => (each.case as { family: string }).family === family)).toBe(true);
  for (const { cause, mark } of told) {
    expect(CAUSES[cause]).toBeDefined();
    expect(['handbook', 'common practice', 'memory']).toContain(mark);
  }
});

test('the right cause leads in 85 %, and is among the first three in 97 %', () => {
  const leads = ({ cause, judgement }: (typeof judged)[number]) => judgement.causes[0]?.id === cause;
  expect([share(leads) >= 0.85, wrong(leads)]).toEqual([true, expect.anything()]);
  const among = ({ cause, judgement }: (typeof judged)[number]) =>
    judgement.causes.slice(0, 3).some(({ id }) => id === cause);
  expect([share(among) >= 0.97, wrong(among)]).toEqual([true, expect.anything()]);
});

test('who sees to it and how soon is right in 95 %', () => {
  const right = ({ who, when, judgement }: (typeof judged)[number]) => judgement.who === who && judgement.when === when;
  expect([share(right) >= 0.95, wrong(right)]).toEqual([true, expect.anything()]);
});

test('no danger is missed', () => {
  for (const { title, cause, danger, judgement } of judged)
    if (danger) expect([title, judgement.dangers]).toEqual([title, expect.arrayContaining([cause])]);
});
