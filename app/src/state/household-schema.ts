/** What checks a household that another build kept, in a file of its own. */
export { householdSchema } from '@tembrin/contract/household';
