import { readFileSync, statSync } from 'node:fs';
import { CAUSES, caseSchema, judgeCase } from '../core/src/triage/index.ts';
import { vocabulary } from './lib/triage-words.mjs';

/** Reads a case file and prints what is wrong, as JSON: `npm run triage -- case.json`; `--words` prints what a case may say. */
const MOST_BYTES = 100_000;

function fail(sentence) {
  console.error(sentence);
  process.exit(1);
}

function caseFrom(file) {
  try {
    if (statSync(file).size > MOST_BYTES) fail(`${file} is larger than 100 KB: that is no case.`);
    return JSON.parse(readFileSync(file, 'utf8'));
  } catch (error) {
    return fail(error instanceof SyntaxError ? `${file} is no JSON: ${error.message}` : `${file} cannot be read.`);
  }
}

const [file] = process.argv.slice(2);
if (!file) fail('Name a case: npm run triage -- case.json. What it may say: docs/triage-cases.md.');
if (file === '--words') {
  console.log(vocabulary());
} else {
  const read = caseSchema.safeParse(caseFrom(file));
  if (!read.success)
    fail(read.error.issues.map(({ path, message }) => `${path.join('.') || 'the case'}: ${message}`).join('\n'));
  const { causes, ...judged } = judgeCase(read.data);
  const told = causes.map(({ id, chance, ...why }) => ({
    id,
    title: CAUSES[id].title,
    chance: Number(chance.toFixed(4)),
    ...why,
  }));
  console.log(JSON.stringify({ ...judged, causes: told }, null, 2));
}
