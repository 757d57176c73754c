import type { Paper } from '@tembrin/contract';
import { loansAmong } from '@tembrin/contract/lent';
import { useDeferredValue, useMemo, useState } from 'react';
import { enter } from '@/state/actions';
import { useAir } from '@/state/air';
import { useAllAssessments } from '@/state/assessments';
import { useCards } from '@/state/cards';
import { useHousehold } from '@/state/household';
import { written } from '@/state/log';
import { notify } from '@/state/notice';
import { usePreferences } from '@/state/preferences';
import { useYear } from '@/state/year';
import { kindWords } from '@/copy/names';
import { copy, WHERE_OPTIONS } from '@/copy/screens/lending/cupboard';
import { FAMILIES, type Family } from '@tembrin/core/instruments';
import {
  BULK_DONE,
  cupboardRows,
  dayWork,
  foundIn,
  outgrowing,
  workKey,
  type BulkPart,
  type CupboardRow,
  type CupboardWish,
  type CupboardWork,
} from '@tembrin/core/lending';
import type { LogEvent } from '@tembrin/core/log';
import { localDay } from '@tembrin/core/time';
import { download } from '../files/files';
import { useAsking } from '../asking';
import { useMoment } from '../air/where';
import { loadWholeLook } from '../look/load-look';

/** Rows that are drawn at first, and more with each asking: five hundred are a list nobody reads at once. */
const PAGE = 40;
const ANY = 'any';

/** What stands in the cupboard, with everything that is asked of it. */
function useCupboardRows() {
  const { instruments, people } = useHousehold((state) => state.household)!;
  const assessments = useAllAssessments();
  const cards = useCards('loan');
  const present = useMemo(() => people.filter(({ goneAt }) => goneAt === null), [people]);
  const rows = useMemo(() => cupboardRows(assessments, loansAmong(cards), present), [assessments, cards, present]);
  return { instruments, assessments, rows };
}

/** Names of rooms by their ids. */
function usePlaceNames(): ReadonlyMap<string, string> {
  const places = useAir((state) => state.air?.places);
  return useMemo(() => new Map(places?.map(({ id, name }) => [id, name])), [places]);
}

/** The cupboard: what is looked for, and what is found. */
export function useCupboard() {
  const { instruments, assessments, rows } = useCupboardRows();
  const lengths = usePreferences((state) => state.lengths);
  const placeNames = usePlaceNames();
  const [wish, setWish] = useState<CupboardWish>({
    words: '',
    family: null,
    size: null,
    where: null,
    asks: false,
    placeId: null,
  });
  const [shown, setShown] = useState(PAGE);
  const [narrow, setNarrow] = useState(false);
  const [paper, setPaper] = useState<Paper>('a4');
  const { busy, ask } = useAsking();
  const kinds = useMemo(
    () => new Map(instruments.map((instrument) => [instrument.id, kindWords(instrument, lengths)])),
    [instruments, lengths],
  );
  // Typing goes on while five hundred rows are looked through.
  const asked = useDeferredValue(wish);
  const found = useMemo(
    () => foundIn(rows, asked, ({ id, placeId }) => `${kinds.get(id) ?? ''} ${placeNames.get(placeId ?? '') ?? ''}`),
    [rows, asked, kinds, placeNames],
  );
  const growing = useMemo(() => outgrowing(assessments, rows), [assessments, rows]);
  const change = (more: Partial<CupboardWish>) => {
    setShown(PAGE);
    setWish({ ...wish, ...more });
  };
  const sizes = [...new Set(rows.flatMap(({ size }) => size ?? []))];
  const options = <T extends string>(values: readonly T[], titleOf: (value: T) => string) => [
    { value: ANY, title: copy.any },
    ...values.map((value) => ({ value: value as string, title: titleOf(value) })),
  ];
  const families = FAMILIES.filter((family) => rows.some((row) => row.family === family));
  const places = [...new Set(rows.flatMap(({ placeId }) => placeId ?? []))];
  const chosen = (value: string) => (value === ANY ? null : value);
  return {
    rows,
    found,
    shown: found.slice(0, shown),
    left: Math.max(0, found.length - shown),
    more: () => setShown(shown + PAGE),
    kindOf: ({ id }: CupboardRow) => kinds.get(id) ?? '',
    placeOf: ({ placeId }: CupboardRow) => placeNames.get(placeId ?? '') ?? null,
    growing,
    words: wish.words,
    setWords: (words: string) => change({ words: words.slice(0, 80) }),
    where: wish.where ?? ANY,
    whereOptions: WHERE_OPTIONS,
    setWhere: (value: string) => change({ where: chosen(value) as CupboardWish['where'] }),
    narrow,
    toggleNarrow: () => setNarrow(!narrow),
    narrowed: wish.family !== null || wish.size !== null || wish.placeId !== null || wish.asks,
    family: wish.family ?? ANY,
    families: (nameOf: (family: Family) => string) => options(families, nameOf),
    setFamily: (value: string) => change({ family: chosen(value) as Family | null }),
    size: wish.size ?? ANY,
    sizes: options(sizes, (size) => size),
    setSize: (value: string) => change({ size: chosen(value) }),
    place: wish.placeId ?? ANY,
    places: options(places, (id) => placeNames.get(id) ?? ''),
    setPlace: (value: string) => change({ placeId: chosen(value) }),
    asks: wish.asks,
    setAsks: (asks: boolean) => change({ asks }),
    clear: () => change({ words: '', family: null, size: null, where: null, asks: false, placeId: null }),
    paper,
    setPaper,
    busy,
    printLabels: () =>
      void ask(async () => {
        await download('printLabels', { body: { paper, instrumentIds: found.map(({ id }) => id) } });
        notify(copy.printed);
      }),
  };
}
export type CupboardModel = ReturnType<typeof useCupboard>;

/** What is due and done with one entry. New strings are not: which they are has to be said. */
type DoneAtOnce = Exclude<BulkPart, 'strings'>;
const isDoneAtOnce = (part: string): part is DoneAtOnce => part === 'checkup' || part === 'hair-look';

/** Whether a piece of work is put on record by itself: what needs more said has its own page. */
export const isBulkWork = ({ item }: CupboardWork): boolean => isDoneAtOnce(item.part) && item.bowId === null;

/** What is said of many at once: what one entry says, or a whole look-over at which all was good. */
export type Bulk = BulkPart | 'look';

/** The day's work, and what of it was done. */
export function useWork() {
  const { rows, assessments } = useCupboardRows();
  const { role } = useHousehold((state) => state.household)!;
  const { items } = useYear();
  const { nowMs, timeZone } = useMoment();
  const placeNames = usePlaceNames();
  const [chosen, setChosen] = useState<readonly string[]>([]);
  const [many, setMany] = useState<Bulk | null>(null);
  const [forWhom, setForWhom] = useState<string[]>([]);
  const { busy, ask } = useAsking();
  const groups = dayWork(items, rows, localDay(nowMs, timeZone));
  const all = groups.flatMap(({ work }) => work);
  const done = all.filter((work) => chosen.includes(workKey(work)));
  const by = role === 'helper' ? 'teacher' : 'player';
  const enterAll = async (events: readonly LogEvent[], count: number, then: () => void) => {
    if ((await enter(events, copy.putDone(count))).length > 0) then();
  };
  const put = (drafts: readonly { instrumentId: string; part: BulkPart }[], then: () => void) =>
    void ask(() => {
      const events = drafts.map(({ instrumentId, part }) => written(instrumentId, BULK_DONE[part]));
      return enterAll(events, events.length, then);
    });
  const putLooks = (ids: readonly string[], then: () => void) =>
    void ask(async () => {
      const wholeLookOf = await loadWholeLook();
      const looked = assessments.filter(({ facts }) => ids.includes(facts.id));
      const events = looked.flatMap((each) => wholeLookOf(each, by));
      return enterAll(events, ids.length, then);
    });
  const here = rows.filter(({ holder }) => holder.at !== 'lent' && holder.at !== 'workshop');
  return {
    groups,
    placeNames,
    busy,
    isChosen: (work: CupboardWork) => chosen.includes(workKey(work)),
    toggle: (work: CupboardWork) => {
      const key = workKey(work);
      setChosen(chosen.includes(key) ? chosen.filter((each) => each !== key) : [...chosen, key]);
    },
    count: done.length,
    putDone: () =>
      put(
        done.flatMap(({ item: { instrumentId, part } }) => (isDoneAtOnce(part) ? [{ instrumentId, part }] : [])),
        () => setChosen([]),
      ),
    many,
    setMany,
    here,
    forWhom,
    setForWhom,
    chooseAll: () => setForWhom(here.map(({ id }) => id)),
    putMany: () => {
      const then = () => setForWhom([]);
      if (many === 'look') putLooks(forWhom, then);
      else if (many !== null)
        put(
          forWhom.map((instrumentId) => ({ instrumentId, part: many })),
          then,
        );
    },
  };
}
