/** What features/brief says. */
export const copy = {
  title: 'Brief for the workshop',
  composedFrom:
    'Composed from the log: what is noticed, found, changed and due. Change every word of it; nothing is sent anywhere.',
  kept: 'Kept as you wrote it.',
  headline: 'Headline',
  about: 'The instrument in one line',
  oneLineEach: 'One line each.',
  wishes: 'Wishes and limits',
  wishesHint: 'When it is needed back, a budget, “call before more than …”.',
  photos: 'Photographs that go along',
  photo: (at: number, when: string) => `Photograph ${at}, ${when}`,
  noPhotos: 'None on record yet. What is photographed with a look goes along.',
  most: 'Twelve at most.',
  save: 'Keep it',
  saved: 'The brief is kept.',
  anew: 'Compose it anew from the log',
  anewDone: 'Composed anew. What you wrote as wishes stays.',
  print: 'Save as PDF',
  paper: 'Paper',
  papers: { a4: 'A4', letter: 'Letter' },
  printed: 'The page is saved to your downloads.',
  waiting:
    'It is kept on this device and has not reached the server yet: the page is made there. Try again once there is a connection.',
} as const;
