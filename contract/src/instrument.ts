import * as z from 'zod';
import { checkPlain } from './plain';
import { instrumentFactsShape, kindsOf, recordOf, type InstrumentFacts } from '@tembrin/core/instruments';

const name = z.string('Give it a name.').trim().min(1, 'Give it a name.').max(60, 'A name has at most 60 characters.');

const fields = { name, ...instrumentFactsShape };

/** Facts that contradict each other, as issues beside the field. */
function checkFacts(facts: InstrumentFacts & { name: string }, context: z.RefinementCtx) {
  checkPlain(facts.name, ['name'], context);
  const { takes } = recordOf(facts.family);
  if (facts.kind !== null && !kindsOf(facts.family).includes(facts.kind)) {
    context.addIssue({
      code: 'custom',
      path: ['kind'],
      message: `A ${facts.family} is not of the kind “${facts.kind}”.`,
    });
  }
  if (facts.setUp.shoulderRest !== 'none' && !takes.chin) {
    const message = `A ${facts.family} takes no shoulder rest.`;
    context.addIssue({ code: 'custom', path: ['setUp', 'shoulderRest'], message });
  }
  const { tuning, lengthsMm } = facts.stringing;
  if (tuning !== null && tuning.length !== facts.stringCount) {
    const message = `${tuning.length} notes for ${facts.stringCount} strings. Give each string its note.`;
    context.addIssue({ code: 'custom', path: ['stringing', 'tuning'], message });
  }
  if (lengthsMm !== null && lengthsMm.length !== facts.stringCount) {
    const message = `${lengthsMm.length} lengths for ${facts.stringCount} strings. Give one for each, or none.`;
    context.addIssue({ code: 'custom', path: ['stringing', 'lengthsMm'], message });
  }
  if (facts.setUp.leftHanded && !takes.handed) {
    const message = `A ${facts.family} is played from either side alike.`;
    context.addIssue({ code: 'custom', path: ['setUp', 'leftHanded'], message });
  }
  if (facts.setUp.bodyMm !== null && recordOf(facts.family).body === null) {
    const message = `A ${facts.family} is not told by the length of its body.`;
    context.addIssue({ code: 'custom', path: ['setUp', 'bodyMm'], message });
  }
  if (facts.setUp.endpin && !takes.endpin) {
    context.addIssue({ code: 'custom', path: ['setUp', 'endpin'], message: `A ${facts.family} has no endpin.` });
  }
}

export const newInstrumentSchema = z.strictObject({ id: z.uuid().toLowerCase(), ...fields }).superRefine(checkFacts);
export type NewInstrument = z.infer<typeof newInstrumentSchema>;

/** A change replaces all facts but the family, which an instrument keeps. */
export const instrumentChangeSchema = z.strictObject(fields).superRefine(checkFacts);
export type InstrumentChange = z.infer<typeof instrumentChangeSchema>;

export const instrumentSchema = z.object({
  id: z.uuid(),
  ...fields,
  addedAt: z.iso.datetime(),
  /** Since when another household has it, and what that is called; left out: it is here. */
  givenAt: z.iso.datetime().optional(),
  givenTo: z.string().optional(),
  version: z.number().int().positive(),
});
export type Instrument = z.infer<typeof instrumentSchema>;
