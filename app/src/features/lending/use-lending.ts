import type { Card, Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { useAssessment, type InstrumentAssessment } from '@/state/assessments';
import { addCards, changeCard, useCards } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { notify } from '@/state/notice';
import { usePreferences } from '@/state/preferences';
import { copy, loanSheet, signsOf, usualAlong } from '@/copy/screens/lending/loan';
import { loanDifferences, loanSchema, overdueDays, type Loan } from '@tembrin/core/lending';
import { stateOf } from '@tembrin/core/views';
import { dateOfDay, localDay } from '@tembrin/core/time';
import { download } from '../files/files';
import { useAsking } from '../asking';

/** Everything on record about lending one instrument. */
export function useLoans(instrument: Instrument) {
  const assessment = useAssessment(instrument);
  const { nowMs, timeZone } = assessment.log;
  const today = localDay(nowMs, timeZone);
  const cards = useCards('loan').filter(({ facts }) => facts.instrumentId === instrument.id);
  // One that is to go out on a later day stands here as well: it may be changed.
  const open = cards.find(({ facts }) => facts.back === null) ?? null;
  const past = cards
    .filter(({ facts }) => facts.back !== null)
    .sort((a, b) => (a.facts.back! < b.facts.back! ? 1 : -1));
  return { assessment, today, open, past, nowMs, timeZone };
}

/** The words a schema refuses with, by the line they are about. */
function errorsOf(result: { error?: { issues: { path: PropertyKey[]; message: string }[] } }): Record<string, string> {
  return Object.fromEntries(
    (result.error?.issues ?? []).map(({ path, message }) => [String(path[0] ?? 'to'), message]),
  );
}

/** Lending an instrument, as it is typed and kept. */
export function useLendForm(instrument: Instrument, today: number) {
  const people = useHousehold((state) => state.household!.people).filter(({ goneAt, me }) => goneAt === null && !me);
  const [personId, setPersonId] = useState<string>(people.length > 0 ? '' : 'outside');
  const [draft, setDraft] = useState({ to: '', reached: '', from: dateOfDay(today), until: '', more: '', note: '' });
  const usual = usualAlong(instrument.family);
  const [along, setAlong] = useState<string[]>(usual.slice(0, 2));
  const [strings, setStrings] = useState<Loan['strings']>('lender');
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const { busy, ask } = useAsking();
  const person = people.find(({ id }) => id === personId) ?? null;
  const lend = () => {
    const besides = draft.more
      .split(',')
      .map((title) => title.trim())
      .filter((title) => title !== '');
    const read = loanSchema.safeParse({
      instrumentId: instrument.id,
      personId: person?.id ?? null,
      to: person?.name ?? draft.to,
      reached: draft.reached.trim() === '' ? null : draft.reached,
      from: draft.from,
      until: draft.until === '' ? null : draft.until,
      along: [...along, ...besides].map((title) => ({ title, back: null })),
      strings,
      note: draft.note.trim() === '' ? null : draft.note,
      back: null,
    });
    if (!read.success) return setErrors(errorsOf(read));
    void ask(async () => {
      await addCards([{ kind: 'loan', facts: read.data }], copy.lent(read.data.to));
    });
  };
  const line = (name: keyof typeof draft) => ({
    value: draft[name],
    error: errors[name],
    onChangeText: (value: string) => {
      setErrors({});
      setDraft({ ...draft, [name]: value });
    },
  });
  return {
    people: [...people.map(({ id, name }) => ({ value: id, title: name })), { value: 'outside', title: copy.outside }],
    personId,
    setPersonId,
    outside: person === null,
    line,
    date: (name: 'from' | 'until') => ({
      value: draft[name],
      error: errors[name],
      onChange: line(name).onChangeText,
    }),
    usual: usual.map((title) => ({ value: title, title })),
    along,
    setAlong,
    strings,
    setStrings,
    busy,
    lend,
    alongError: errors.along,
  };
}

/** A loan that is out: changing its day, taking it back. */
export function useOpenLoan(card: Card<'loan'>, today: number) {
  const { facts } = card;
  const [until, setUntil] = useState(facts.until ?? '');
  const [back, setBack] = useState(dateOfDay(today));
  const [came, setCame] = useState<string[]>(facts.along.map(({ title }) => title));
  const [errors, setErrors] = useState<Readonly<Record<string, string>>>({});
  const { busy, ask } = useAsking();
  const change = (more: Partial<Loan>, done: string) => {
    const read = loanSchema.safeParse({ ...facts, ...more });
    if (!read.success) return setErrors(errorsOf(read));
    setErrors({});
    void ask(() => changeCard(card, read.data, done));
  };
  return {
    facts,
    overdue: overdueDays(facts, today),
    titles: facts.along.map(({ title }) => title),
    until,
    setUntil,
    untilChanged: until !== (facts.until ?? ''),
    saveUntil: () => change({ until: until === '' ? null : until }, copy.saved),
    back,
    setBack,
    came,
    setCame,
    takeBack: () =>
      change({ back, along: facts.along.map(({ title }) => ({ title, back: came.includes(title) })) }, copy.taken),
    errors,
    busy,
  };
}

/** How a loan went out and came back, and its sheet on paper. */
export function useLoanState(card: Card<'loan'>, { facts: instrument, log }: InstrumentAssessment) {
  const { name } = useHousehold((state) => state.household)!;
  const lengths = usePreferences((state) => state.lengths);
  const identity = useCards('identity').findLast(({ facts }) => facts.instrumentId === instrument.id) ?? null;
  const { busy, ask } = useAsking();
  const { facts } = card;
  const differences = loanDifferences(facts, log, instrument, log.nowMs, log.timeZone);
  return {
    differences,
    lengths,
    busy,
    print: () =>
      void ask(async () => {
        const sheet = loanSheet(facts, instrument, differences, identity?.facts ?? null, lengths);
        const body = { paper: 'a4' as const, sheet, signs: signsOf(facts.to, name) };
        await download('printLoan', { params: { id: instrument.id }, body });
        notify(copy.printed);
      }),
  };
}

/** Views of an instrument that were photographed, and how many there are. */
export function viewsSeen(assessment: InstrumentAssessment): { seen: number; of: number } {
  const views = stateOf(assessment);
  return { seen: views.filter(({ seen }) => seen !== null).length, of: views.length };
}
