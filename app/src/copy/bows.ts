import type { Bow } from '@tembrin/core/bow';

/** What a bow is called: its name, or that it came with its instrument. @param home the name of its home */
export const bowName = ({ title }: Pick<Bow, 'title'>, home: string): string => title ?? `${home}’s own bow`;
