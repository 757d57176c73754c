import { listWords } from '../../lists';
import { moneyWords } from '../../numbers';
import type { VisitState } from '@tembrin/core/visits';
import type { Answer } from '@tembrin/core/visits';

/** What features/visits says of visits to the workshop. */
const STATE_NAMES: Readonly<Record<VisitState, string>> = {
  planned: 'Planned',
  asked: 'Asked',
  answered: 'Answered',
  brought: 'Brought',
  back: 'Back',
  'called-off': 'Called off',
};

const STATE_TEXTS: Readonly<Record<VisitState, string>> = {
  planned: 'Nothing is sent yet. What the workshop is told stands below.',
  asked: 'It was sent. Nothing has been answered yet.',
  answered: 'The workshop has answered.',
  brought: 'It is at the workshop. No rounds are asked meanwhile, and nothing is due before it is back.',
  back: 'It is back. What was done is in the log where you took it over.',
  'called-off': 'It did not come to that.',
};

/** "An estimate: €80 to €120, ready by 3 December". */
function answerHead(answer: Answer, date: (on: string) => string): string {
  switch (answer.kind) {
    case 'seen':
      return 'It was seen';
    case 'question':
      return 'A question';
    case 'estimate': {
      const { low, high, currency, ready } = answer;
      const to = high > low ? ` to ${moneyWords({ amount: high, currency })}` : '';
      return `An estimate: ${moneyWords({ amount: low, currency })}${to}${ready === null ? '' : `, ready by ${date(ready)}`}`;
    }
    case 'done':
      return `Done on ${date(answer.on)}`;
  }
}

export const copy = {
  visits: 'Visits to the workshop',
  none: 'No visit yet',
  noneText:
    'Gather what is due, or write a brief from an instrument’s page: it is then sent, answered, brought and fetched back from here.',
  open: 'Under way',
  past: 'Over',
  gather: (names: readonly string[]) => `Gather what is due: ${listWords(names)}`,
  title: (names: readonly string[]) => (names.length === 0 ? 'A visit' : `Visit: ${listWords(names)}`),
  states: STATE_NAMES,
  stateText: (state: VisitState) => STATE_TEXTS[state],
  wayLabel: (state: VisitState) => `Where it stands: ${STATE_NAMES[state].toLowerCase()}`,
  row: (state: VisitState, day: string | null) => `${STATE_NAMES[state]}${day === null ? '' : `, for ${day}`}`,
  sheets: 'What the workshop is told',
  toBeDone: (count: number) =>
    count === 0 ? 'Nothing is ticked to be done yet.' : `${count} ${count === 1 ? 'thing' : 'things'} to be done.`,
  more: 'Another instrument in the same visit',
  takeOut: (name: string) => `Leave ${name} out`,
  takenOut: 'Left out of this visit.',
  contact: 'Workshop',
  noContact: 'None chosen',
  addContact: 'Add a workshop',
  day: 'Day',
  send: 'Make a link for the workshop',
  sendAnew: 'Send it as it is now, under a new link',
  linkText: (until: string, opened: string | null) =>
    `Open until ${until}. ${opened === null ? 'Nobody has opened it yet.' : `First opened ${opened}.`} Who has it sees this visit’s sheets and nothing else.`,
  linkPast: 'The link opens no more.',
  copyLink: 'Copy the link',
  copied: 'The link is copied.',
  shareLink: 'Send the link',
  revoke: 'Close the link',
  revoked: 'The link opens nothing any more.',
  madeLink: 'The link is there: copy it, or send it.',
  told: 'I told them myself',
  toldDone: 'Noted: the workshop was asked.',
  offline: 'What was sent and answered is known with a connection only.',
  bring: 'It was brought',
  bringText: 'Expected back on',
  brought: 'It is at the workshop.',
  fetch: 'It is back',
  fetched: 'Welcome back. Look it over, and tune it in its own time.',
  fetchOne: (name: string) => `${name} is back`,
  callOff: 'Call it off',
  calledOff: 'The visit is called off.',
  answers: 'What the workshop answered',
  answerHead,
  answerFrom: (from: string, when: string) => (from === '' ? when : `${from}, ${when}`),
  noted: 'Noted',
  take: (count: number) => (count === 1 ? 'Put 1 entry on record' : `Put ${count} entries on record`),
  taken: (count: number) => (count === 1 ? 'On record.' : `${count} entries are on record.`),
  leave: 'Leave the rest',
  isOnRecord: 'On record',
  wasLeft: 'Left out',
  takeText: 'Nothing of it is on record yet. Untick what is not so.',
} as const;
