import { bowsAmong } from '@tembrin/contract/bows';
import type { Changes, Verdict } from '@/workers/assessor';
import { loadAssessor } from '@/workers/load';
import { heardAgain } from '@/workers/heard-again';
import { useAir } from './air';
import { useAssessmentStore } from './assessment-store';
import { factsOf, useCardStore } from './cards';
import { useHousehold } from './household';
import { useLog } from './log';
import { onlyGrew } from './log-state';
import { MINUTE_MS } from '@tembrin/core/time';
import type { LogEvent } from '@tembrin/core/log';

/** Events handed to the worker in one task: copying more would be felt on the thread that draws. */
const AT_ONCE = 1500;
const TICK_MS = MINUTE_MS / 4;

interface Line {
  post: (changes: Changes) => void;
  close: () => void;
}

/** Judges on this thread, in between; loaded only where it has to. */
function openHere(take: (verdict: Verdict) => void): Line {
  const assessor = loadAssessor().then(({ Assessor }) => new Assessor(take, (work) => setTimeout(work, 0)));
  return { post: (changes) => void assessor.then((ready) => ready.take(changes)), close: () => undefined };
}

/** A worker that judges. @param failed told when it cannot be had */
function openWorker(take: (verdict: Verdict) => void, failed: () => void): Line {
  const worker = new Worker('/assess.js');
  worker.onmessage = ({ data }: MessageEvent<Verdict>) => take(data);
  worker.onerror = failed;
  return { post: (changes) => worker.postMessage(changes), close: () => worker.terminate() };
}

/**
 * Puts a judgement in place of the one before.
 * @returns whether it could be: one that goes on from another than stands here says too little
 */
export function takeVerdict(verdict: Verdict): boolean {
  if (verdict.householdId !== useHousehold.getState().household?.id) return true;
  if (verdict.kind === 'year') {
    useAssessmentStore.setState({ year: verdict.year });
    return true;
  }
  const { instrumentId: id, since, turn, complete } = verdict;
  const { byInstrument, turns } = useAssessmentStore.getState();
  if (since !== null && since !== turns[id]) return false;
  const assessment = heardAgain(since === null ? undefined : byInstrument[id], verdict.assessment);
  useAssessmentStore.setState(({ asOf: { [id]: _confirmed, ...asOf }, ...state }) => ({
    asOf,
    byInstrument: { ...state.byInstrument, [id]: assessment },
    complete: { ...state.complete, [id]: complete },
    turns: { ...state.turns, [id]: turn },
  }));
  return true;
}

/** What is new in a list that only grows at its end; all of it where it changed otherwise. */
function newEvents(before: readonly LogEvent[] | undefined, now: readonly LogEvent[]) {
  return before && onlyGrew(before, now)
    ? { anew: false, events: now.slice(before.length) }
    : { anew: true, events: now };
}

type EventChanges = NonNullable<Changes['events']>;

/** What came to each instrument's events, in messages of no more than `AT_ONCE`. */
function eventChanges(
  before: Readonly<Record<string, readonly LogEvent[]>>,
  now: Readonly<Record<string, readonly LogEvent[]>>,
): EventChanges[] {
  const messages: EventChanges[] = [];
  let room = 0;
  for (const [id, events] of Object.entries(now)) {
    if (before[id] === events) continue;
    let { anew, events: more } = newEvents(before[id], events);
    do {
      if (room === 0) {
        messages.push({});
        room = AT_ONCE;
      }
      const part = more.slice(0, room);
      messages[messages.length - 1] = { ...messages.at(-1), [id]: { anew, events: part } };
      room -= part.length;
      more = more.slice(part.length);
      anew = false;
    } while (more.length > 0);
  }
  return messages;
}

/** How many events a message brings. */
const sizeOf = ({ events = {} }: Changes) =>
  Object.values(events).reduce((sum, { events: more }) => sum + more.length, 0);

/** Hands messages on in their order, those that are much to copy in tasks of their own: the page is drawn and used in between. */
class Queue {
  private readonly waiting: Changes[] = [];
  private timer: ReturnType<typeof setTimeout> | undefined;

  constructor(private readonly hand: (changes: Changes) => void) {}

  add(changes: Changes): void {
    this.waiting.push(changes);
    if (this.timer === undefined) this.go();
  }

  private go(): void {
    this.timer = undefined;
    for (let room = AT_ONCE; room > 0 && this.waiting.length > 0;) {
      const next = this.waiting.shift()!;
      room -= sizeOf(next);
      this.hand(next);
    }
    if (this.waiting.length > 0) this.timer = setTimeout(() => this.go(), 0);
  }

  clear(): void {
    clearTimeout(this.timer);
    this.timer = undefined;
    this.waiting.length = 0;
  }
}

/** Does something again and again while the page is seen, and as soon as it is seen again. @returns stop */
function whileSeen(work: () => void): () => void {
  const tick = () => document.visibilityState === 'visible' && work();
  const timer = setInterval(tick, TICK_MS);
  document.addEventListener('visibilitychange', tick);
  return () => {
    clearInterval(timer);
    document.removeEventListener('visibilitychange', tick);
  };
}

type Post = (changes: Omit<Changes, 'nowMs' | 'turn'>) => void;

/** Hands on what is judged beside the log, as it stands. */
function sendersOf(post: Post) {
  const sendHousehold = () => {
    const { household } = useHousehold.getState();
    if (household) post({ household });
  };
  const sendAir = () => {
    const { air, unsent, asked } = useAir.getState();
    post({ air, unsent, airComing: !asked });
  };
  const sendCards = () => {
    const { cards, asked } = useCardStore.getState();
    post({
      cardsComing: !asked,
      appointments: factsOf(cards, 'appointment'),
      occasions: factsOf(cards, 'occasion'),
      bows: bowsAmong(cards ?? []),
    });
  };
  const sendWatched = () => {
    const { watched } = useAssessmentStore.getState();
    post({ watched: Object.keys(watched).filter((id) => watched[id]! > 0) });
  };
  return { sendHousehold, sendAir, sendCards, sendWatched };
}

/**
 * Has the household judged whenever something it rests on changes, and by the minute what is on screen. Stops when told.
 * @returns stop
 */
export function keepAssessed(): () => void {
  const take = (verdict: Verdict) => {
    if (!takeVerdict(verdict) && verdict.kind === 'instrument') post({ unheard: [verdict.instrumentId] });
  };
  const queue = new Queue((changes) => line.post(changes));
  let line = typeof Worker === 'undefined' ? openHere(take) : openWorker(take, () => goOnHere());
  let sent: Readonly<Record<string, readonly LogEvent[]>> = {};
  const post: Post = (changes) => {
    const { turn: last, told } = useAssessmentStore.getState();
    const turn = last + 1;
    const now = Object.fromEntries(Object.keys(changes.events ?? {}).map((id) => [id, turn]));
    useAssessmentStore.setState({ turn, told: { ...told, ...now } });
    queue.add({ ...changes, nowMs: Date.now(), turn });
  };

  const sendEvents = () => {
    const { opened, read, events, complete } = useLog.getState();
    // A log that was not read yet is not an empty one: nothing is judged by it.
    if (!opened) return;
    for (const change of eventChanges(sent, events)) post({ events: change, more: true });
    sent = events;
    post({ complete, logComing: !read });
  };
  const { sendHousehold, sendAir, sendCards, sendWatched } = sendersOf(post);
  // What household it is comes first: a worker that hears of another forgets the one before.
  const sendAll = () => [sendHousehold, sendWatched, sendEvents, sendAir, sendCards].forEach((send) => send());
  // A worker that does not load, or breaks down, is done without: nobody waits for it.
  function goOnHere() {
    queue.clear();
    line.close();
    line = openHere(take);
    sent = {};
    sendAll();
  }
  sendAll();
  const stops = [
    useHousehold.subscribe(({ household }, before) => {
      if (household === before.household) return;
      if (household?.id !== before.household?.id) sent = {};
      sendHousehold();
    }),
    useLog.subscribe((state, before) => {
      if ((['opened', 'read', 'events', 'complete'] as const).some((each) => state[each] !== before[each]))
        sendEvents();
    }),
    useAir.subscribe(({ air, unsent, asked }, before) => {
      if (air !== before.air || unsent !== before.unsent || asked !== before.asked) sendAir();
    }),
    useCardStore.subscribe(({ cards, asked }, before) => {
      if (cards !== before.cards || asked !== before.asked) sendCards();
    }),
    useAssessmentStore.subscribe(({ watched }, before) => {
      if (watched !== before.watched) sendWatched();
    }),
  ];
  stops.push(whileSeen(() => post({})));
  return () => {
    stops.forEach((stop) => stop());
    queue.clear();
    line.close();
    useAssessmentStore.setState({ turn: 0, told: {}, turns: {} });
  };
}
