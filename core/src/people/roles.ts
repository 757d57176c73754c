/**
 * Who may do what in a household [handbook 13]. The workshop is no member: it sees one instrument's brief under a link of its own.
 */
export const ROLES = ['keeper', 'player', 'helper'] as const;
export type Role = (typeof ROLES)[number];

/**
 * What is done in a household. see: look at instruments, their log, photographs and air; record: put entries on record; measure: what
 * hygrometers show, and their checks; plan: a player's own occasions, briefs and sets; arrange: everything that is kept of instruments,
 * rooms, spares and prices; share: what goes out of the household and comes in; people: persons, roles and invitations.
 */
export const DEEDS = ['see', 'record', 'measure', 'plan', 'arrange', 'share', 'people'] as const;
export type Deed = (typeof DEEDS)[number];

/** With which instruments: all there are, those the person plays or looks after, or none. */
export type Reach = 'all' | 'own' | 'none';

/** The one table of what each role may do. What the roles are is the handbook's; where the lines run is common practice. */
export const REACH: Readonly<Record<Role, Readonly<Record<Deed, Reach>>>> = {
  keeper: { see: 'all', record: 'all', measure: 'all', plan: 'all', arrange: 'all', share: 'all', people: 'all' },
  player: { see: 'own', record: 'own', measure: 'all', plan: 'own', arrange: 'none', share: 'none', people: 'none' },
  helper: { see: 'own', record: 'own', measure: 'all', plan: 'none', arrange: 'none', share: 'none', people: 'none' },
};

/** Whether a role does something at all. */
export const mayDo = (role: Role, deed: Deed): boolean => REACH[role][deed] !== 'none';
