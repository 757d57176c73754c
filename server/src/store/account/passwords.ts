import { hash, verify } from '@node-rs/argon2';
import { ZxcvbnFactory } from '@zxcvbn-ts/core';
import * as common from '@zxcvbn-ts/language-common';
import * as english from '@zxcvbn-ts/language-en';
import { v7 as uuid } from 'uuid';
import { fail } from '../../problems/problems';

/** A password in the one form it is kept in: signs that look alike and are typed differently are the same. */
const oneForm = (password: string) => password.normalize('NFKC');

/** Hashes a password with Argon2id, at the library's costs (19 MiB, 2 passes), which are those OWASP's cheat sheet names. */
export const hashPassword = (password: string) => hash(oneForm(password));

/** Verified where there is nobody, so that the answer takes as long either way. */
let nobody: Promise<string> | undefined;

/** Whether a password is the one that was hashed. @param passwordHash null where there is nobody: takes as long, and is false */
export async function isPassword(passwordHash: string | null, password: string): Promise<boolean> {
  nobody ??= hash(uuid());
  const kept = passwordHash ?? (await nobody);
  const form = oneForm(password);
  if (await verify(kept, form)) return passwordHash !== null;
  // One that was chosen before passwords were brought to one form.
  return form !== password && (await verify(kept, password)) && passwordHash !== null;
}

/**
 * Only the beginning is looked at: what is hard to guess in its first so many characters is so in all, and looking takes longer the
 * longer it is (48 take some 50 ms at worst, measured).
 */
const LOOKED_AT = 48;
/** Ways to read signs as letters that are tried. */
const MOST_READINGS = 8;
/** From 0 to 4: from 3 on it withstands guessing at hashes that are slow to make (the library's own scale). */
const LEAST_SCORE = 3;

type Judge = (password: string, known: string[]) => { score: number; feedback: { warning: string | null } };
let judge: Judge | undefined;

/** What judges passwords, with its dictionaries made ready; done when the first is chosen. */
function makeJudge(): Judge {
  const made = new ZxcvbnFactory({
    dictionary: { ...common.dictionary, ...english.dictionary },
    graphs: common.adjacencyGraphs,
    translations: english.translations,
    l33tMaxSubstitutions: MOST_READINGS,
  });
  return (password, known) => made.check(password, known);
}

/**
 * Whether a password withstands guessing.
 * @param email whose it is: what is in it is guessed first
 * @param field where the sentence stands
 * @throws ProblemError 422 with why, and what to do
 */
export function checkStrength(password: string, email: string, field: string): void {
  const known = ['tembrin', email, ...email.split(/[@.+_-]/)].filter((word) => word.length > 2);
  const { score, feedback } = (judge ??= makeJudge())(oneForm(password).slice(0, LOOKED_AT), known);
  if (score >= LEAST_SCORE) return;
  const why = feedback.warning ?? 'It is easy to guess.';
  const detail = `${why} Take a few words that have nothing to do with each other.`;
  fail(422, 'weak-password', detail, { [field]: detail });
}
