import type { ContactRole } from '@tembrin/core/visits';

/** What features/CallContact.tsx says. */
export const ROLE_NAMES: Readonly<Record<ContactRole, string>> = {
  workshop: 'Workshop',
  teacher: 'Teacher',
  dealer: 'Dealer',
};

export const copy = {
  call: (name: string, number: string) => `Call ${name}, ${number}`,
  add: (role: ContactRole) => `Write down whom to call: ${ROLE_NAMES[role].toLowerCase()}`,
} as const;
