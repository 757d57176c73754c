/** Who puts entries on record on this device: a person's id; null: nobody is known. */
let who: string | null = null;

export const setWho = (personId: string | null): void => {
  who = personId;
};
/** Who it is, as an entry carries it. */
export const doneBy = (): { by?: string } => (who === null ? {} : { by: who });
