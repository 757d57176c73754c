import type { Href } from 'expo-router';

export type SectionId = 'now' | 'kit' | 'air' | 'year' | 'bench';

export interface Section {
  id: SectionId;
  title: string;
  href: Href;
}

/** The sections of the app, by moment. */
export const SECTIONS: readonly Section[] = [
  { id: 'now', title: 'Now', href: '/now' },
  { id: 'kit', title: 'Kit', href: '/kit' },
  { id: 'air', title: 'Air', href: '/air' },
  { id: 'year', title: 'Year', href: '/year' },
  { id: 'bench', title: 'Bench', href: '/bench' },
];
