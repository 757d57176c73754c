import type { NoticeWords } from '@tembrin/contract';
import type { Letter, Part } from './letter';

/** Something a letter tells of, and where it is answered. */
export interface NoticeLine {
  words: NoticeWords;
  /** The page on which it is put off, or switched off. */
  answer: string;
}

/** The pages a reminder leads to. */
export interface NoticePages {
  /** A page of Tembrin by its path. */
  page: (path: string) => string;
  /** Where the letters are ended. */
  end: string;
}

/** Things a letter spells out; of more it says how many. From memory: what is read on a phone. */
const SPELT_OUT = 12;

/**
 * A letter that reminds of something: what it is, why, what to do, and how it is put off.
 * @param digest whether it is the digest; else it could not wait
 */
export function noticeLetter(
  lines: readonly NoticeLine[],
  household: string,
  digest: boolean,
  to: NoticePages,
): Letter {
  const [first] = lines;
  const more = lines.length - 1;
  const subject = digest
    ? `${household}: ${lines.length === 1 ? 'one thing is' : `${lines.length} things are`} due`
    : `${first!.words.title}${more > 0 ? `, and ${more} more` : ''}`;
  const told = lines.slice(0, SPELT_OUT).flatMap(({ words, answer }): Part[] => [
    // Of one thing alone the letter itself is the heading.
    ...(lines.length > 1 || digest ? [{ heading: words.title }] : []),
    `${words.why}\n${words.todo}`,
    { title: 'See it', href: to.page(words.path) },
    { title: 'Later, or not again', href: answer },
  ]);
  const left = lines.length - SPELT_OUT;
  return {
    subject,
    parts: [
      ...told,
      ...(left > 0 ? [`And ${left} more, which the app names.`] : []),
      { title: 'When and of what you are reminded', href: to.page('/kit/reminders') },
      { title: 'End these letters', href: to.end },
    ],
  };
}
