import { checkIn, useHousehold } from './household';
import { judgedBefore } from './stand-before';
import { keepWanted } from './wanted';

/** Opens what this browser kept, before anything is drawn: so it stands in the first drawing. The rest follows behind. */
export function openKept(): void {
  // Whoever is not signed in is led elsewhere at once: the address they came by is kept before that.
  keepWanted();
  void checkIn();
  const { household } = useHousehold.getState();
  if (household) judgedBefore(household);
}
