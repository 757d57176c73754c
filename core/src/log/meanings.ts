import { airTopic, type AirLists } from './air-events';
import { bowTopic, type BowLists } from './bow-events';
import { careTopic, type CareLists } from './care-events';
import type { EventType, LogEvent } from './events';
import { findingTopic, type FindingLists } from './finding-events';
import { jobTopic, type JobLists } from './job-events';
import { photoTopic, type PhotoLists } from './photo-events';
import { roundTopic, type RoundLists } from './round-events';
import { sessionTopic } from './session-events';
import { stringTopic, type StringLists } from './string-events';
import type { EventMeaning } from './topic';
import { troubleTopic, type TroubleLists } from './trouble-events';
import { visitTopic, type VisitLists } from './visit-events';

/** The lists that events fill, each in order of time. */
export type LogLists = RoundLists &
  StringLists &
  BowLists &
  CareLists &
  AirLists &
  FindingLists &
  PhotoLists &
  TroubleLists &
  JobLists &
  VisitLists;

const TOPICS = [
  sessionTopic,
  roundTopic,
  stringTopic,
  bowTopic,
  careTopic,
  airTopic,
  findingTopic,
  photoTopic,
  troubleTopic,
  jobTopic,
  visitTopic,
];

/** What each type of event means; one that is missing here does not compile. */
const MEANINGS: { readonly [T in EventType]: EventMeaning<T, LogLists> } = {
  ...sessionTopic.events,
  ...roundTopic.events,
  ...stringTopic.events,
  ...bowTopic.events,
  ...careTopic.events,
  ...airTopic.events,
  ...findingTopic.events,
  ...photoTopic.events,
  ...troubleTopic.events,
  ...jobTopic.events,
  ...visitTopic.events,
};

/** What an event means. */
export function meaningOf(event: Pick<LogEvent, 'type'>): EventMeaning<EventType, LogLists> {
  return MEANINGS[event.type] as EventMeaning<EventType, LogLists>;
}

/** Every list before the first event. */
export function emptyLists(): LogLists {
  return Object.assign({}, ...TOPICS.map(({ start }) => start())) as LogLists;
}

/** Ids of the earlier events that an event is about. */
export function referredTo(event: LogEvent): readonly string[] {
  return meaningOf(event).refersTo?.(event.payload as never) ?? [];
}
