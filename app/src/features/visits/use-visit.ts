import type { Card, Share } from '@tembrin/contract';
import { act } from '@/state/actions';
import { useAssessmentStore } from '@/state/assessment-store';
import { addCards, changeCard, useCards, useCardStore } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notify, notifyProblem } from '@/state/notice';
import { usePreferences } from '@/state/preferences';
import { useYear } from '@/state/year';
import { makeShare, revokeShare, useFreshShares, useShares } from '@/state/shares';
import { dateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/visits/visit';
import { dayOfDate, HOUR_MS, startOfLocalDay } from '@tembrin/core/time';
import { isOver, MOST_SHEETS, VISIT_STATES } from '@tembrin/core/visits';
import { useMoment } from '../air/where';
import { useAsking } from '../asking';
import { composedFor, useBriefsBeingWritten, useVisitStates } from './briefs';
import { linkOut } from './link-out';
import { itemsOfVisit, planFor } from './plan';

/** The sheets of a visit: each instrument with its brief and its stay. */
function useSheets(visit: Card<'visit'>) {
  const briefs = useCards('brief');
  const instruments = useHousehold((state) => state.household?.instruments) ?? [];
  const assessed = useAssessmentStore((state) => state.byInstrument);
  return visit.facts.briefIds.flatMap((id) => {
    const brief = briefs.find((card) => card.id === id);
    const instrument = instruments.find((each) => each.id === brief?.facts.instrumentId);
    if (!brief || !instrument) return [];
    const stays = assessed[instrument.id]?.log.stays ?? [];
    const stay = stays.findLast(({ visitId, backAt }) => visitId === visit.id && backAt === null) ?? null;
    return [{ brief, instrument, stay }];
  });
}
export type SheetOfVisit = ReturnType<typeof useSheets>[number];

/** Instruments that are not in a visit yet, and a brief for each: the one that is being written, else one composed now. */
function useOthers(inVisit: readonly string[]) {
  const instruments = useHousehold((state) => state.household?.instruments) ?? [];
  const assessed = useAssessmentStore((state) => state.byInstrument);
  const { items } = useYear();
  const lengths = usePreferences((state) => state.lengths);
  const writing = useBriefsBeingWritten();
  const briefFor = async (instrumentId: string): Promise<string> => {
    const known = writing.get(instrumentId);
    if (known) return known.id;
    const facts = { ...composedFor(assessed[instrumentId]!, items, lengths), instrumentId };
    const [card] = await addCards([{ kind: 'brief', facts }], null);
    return card!.id;
  };
  return {
    briefFor,
    instruments: instruments.filter(({ id }) => !inVisit.includes(id) && assessed[id] !== undefined),
  };
}

/** Dates of this place, in words. */
export function useDates() {
  const { nowMs, timeZone } = useMoment();
  const onDay = (at: number) => dateWords(at, nowMs, timeZone);
  return {
    nowMs,
    timeZone,
    onDay,
    ofDate: (date: string) => onDay(startOfLocalDay(dayOfDate(date), timeZone) + 12 * HOUR_MS),
  };
}

/** The link of a visit: making, copying, sending and closing it. */
function useLink(visit: Card<'visit'>, shares: readonly Share[], ask: ReturnType<typeof useAsking>['ask']) {
  const share = shares.findLast(({ path }) => path !== null) ?? null;
  const url = share?.path ? new URL(share.path, window.location.origin).href : null;
  return {
    share,
    ...linkOut(url, ask, copy.copied),
    make: () =>
      void ask(async () => {
        if (useCardStore.getState().unsent > 0) return notifyProblem(copy.offline);
        await makeShare(visit.id);
        notify(copy.madeLink);
      }),
    revoke: () =>
      void ask(async () => {
        await revokeShare(share!.id);
        notify(copy.revoked);
      }),
  };
}

/** A visit to the workshop: where it stands, what was sent and answered, and what is done next. */
export function useVisit(visit: Card<'visit'>) {
  const { facts, id } = visit;
  const known = useFreshShares();
  const dates = useDates();
  const sheets = useSheets(visit);
  const contacts = useCards('contact');
  const state = useVisitStates().get(id) ?? 'planned';
  const shares = (useShares((all) => all.shares) ?? []).filter(({ visitId }) => visitId === id);
  const { busy, ask } = useAsking();
  const link = useLink(visit, shares, ask);
  const due = itemsOfVisit(
    useYear().items,
    sheets.map(({ brief }) => brief.facts),
  );
  const change = (part: Partial<typeof facts>, done: string | null) =>
    void ask(() => changeCard(visit, { ...facts, ...part }, done));
  const now = () => new Date().toISOString();
  const others = useOthers(sheets.map(({ instrument }) => instrument.id));
  const add = (instrumentId: string) =>
    void ask(async () => {
      const briefId = await others.briefFor(instrumentId);
      await changeCard(visit, { ...facts, briefIds: [...facts.briefIds, briefId].slice(0, MOST_SHEETS) }, null);
    });
  const takeOut = (briefId: string) =>
    change({ briefIds: facts.briefIds.filter((each) => each !== briefId) }, copy.takenOut);
  const bring = async (expected: string | null) => {
    for (const { instrument, stay } of sheets)
      if (!stay) await act(instrument.id, [{ type: 'brought-in', payload: { visitId: id, expected } }], copy.brought);
  };
  const fetchBack = async (some: readonly SheetOfVisit[]) => {
    for (const { instrument, stay } of some)
      if (stay) await act(instrument.id, [{ type: 'fetched-back', payload: { stayId: stay.eventId } }], copy.fetched);
  };
  return {
    visit,
    ...dates,
    others: facts.briefIds.length < MOST_SHEETS ? others.instruments : [],
    add,
    takeOut: facts.briefIds.length > 1 ? takeOut : null,
    known,
    sheets,
    state,
    at: state === 'called-off' ? -1 : VISIT_STATES.indexOf(state),
    over: isOver(state),
    shares,
    answers: shares.flatMap((share) => share.answers.map((answer) => ({ ...answer, share }))).reverse(),
    link,
    busy,
    contacts,
    contact: contacts.find((card) => card.id === facts.contactId) ?? null,
    choose: (contactId: string | null) => change({ contactId }, null),
    // The year lays what is to be done in it on the same day.
    setDate: (date: string | null) =>
      void ask(async () => {
        await changeCard(visit, { ...facts, date }, null);
        if (date !== null) await planFor(due, date);
      }),
    told: () => change({ askedAt: now() }, copy.toldDone),
    callOff: () =>
      void ask(async () => {
        if (link.share) await revokeShare(link.share.id);
        await changeCard(visit, { ...facts, endedAt: now() }, copy.calledOff);
      }),
    bring: (expected: string | null) => void bring(expected),
    away: sheets.filter(({ stay }) => stay !== null),
    fetchBack: (some: readonly SheetOfVisit[]) => void fetchBack(some),
  };
}
export type VisitModel = ReturnType<typeof useVisit>;
export type AnswerOnRecord = VisitModel['answers'][number];
