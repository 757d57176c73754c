import type { Assessment } from '../assess';
import { forWorkshop } from '../inspection';
import { FIGURE_DATA, figuresOf, isMeasured, type Figure } from '../instruments';
import type { Finding, Measure, Photographed, Trouble, Work } from '../log';
import { DAY_MS } from '../time';
import type { PlannedItem } from '../year';

/** What was changed lately is told for so long back, days; from memory: what a luthier asks after. */
const LATELY_DAYS = 90;
/** A due thing joins the visit where it is planned within so many days. From memory. */
const ALONG_DAYS = 60;
/** A figure has moved where it differs by so many of its steps. From memory. */
const MOVED_STEPS = 2;
/** More photographs than these are not sent along. */
export const MOST_PHOTOS = 12;

/** Something that was changed on the instrument, as its log has it. */
export type Change =
  | { what: 'strings'; at: number; positions: readonly number[] | null }
  | { what: 'hair'; at: number }
  | { what: 'bow'; at: number }
  | { what: 'journey'; at: number; homeAt: number | null }
  | { what: 'fall'; at: number }
  | { what: 'wet'; at: number };

/** A figure as it was first and as it is. */
export interface FigureLine {
  figure: Figure;
  first: Measure;
  /** null: it was read once only. */
  last: Measure | null;
  moved: boolean;
}

/** What the workshop is told of one instrument: everything that is on record and bears on the visit. */
export interface Brief {
  /** Troubles that are not over, the last first. */
  troubles: Trouble[];
  /** What was found and is the workshop’s. */
  found: Finding[];
  /** What was found besides, for it to know. */
  besides: Finding[];
  /** What was changed lately, the last first. */
  changes: Change[];
  /** Jobs that were gone through since the first of the troubles, or lately. */
  tried: { job: Work['job']; at: number; note: string }[];
  figures: FigureLine[];
  /** The wood: humidity at which it is at rest, its side, the mean of the week, fractions; null where nobody knows. */
  air: { restRh: number; side: 'dry' | 'damp' | null; weekRh: number | null } | null;
  /** What is due anyway and can be done in the same visit. */
  due: PlannedItem[];
  /** Photographs that show what is told, the last first. */
  photos: Photographed[];
}

function changesOf({ log, bows }: Pick<Assessment, 'log' | 'bows'>): Change[] {
  const since = log.nowMs - LATELY_DAYS * DAY_MS;
  const hair = (bows[0]?.log ?? log).rehairs.filter(({ known }) => known);
  const away = log.moves.flatMap(({ at, placeId }, index): Change[] =>
    placeId === null ? [{ what: 'journey', at, homeAt: log.moves[index + 1]?.at ?? null }] : [],
  );
  const all: Change[] = [
    ...log.fittings
      .filter(({ known }) => known)
      .map(({ at, strings }): Change => ({ what: 'strings', at, positions: strings })),
    ...hair.map(({ at }): Change => ({ what: 'hair', at })),
    ...log.bowsTaken.map(({ at }): Change => ({ what: 'bow', at })),
    ...away,
    ...log.knocks.map(({ at }): Change => ({ what: 'fall', at })),
    ...log.works.filter(({ job }) => job === 'wet').map(({ at }): Change => ({ what: 'wet', at })),
  ];
  return all.filter(({ at }) => at >= since).sort((a, b) => b.at - a.at);
}

/** Each figure that was ever read: as it was first, as it is, and whether that is more than a slip of the ruler. */
function figuresIn({ facts, log, bows }: Pick<Assessment, 'facts' | 'log' | 'bows'>): FigureLine[] {
  const own = new Set(figuresOf(facts));
  return (Object.keys(FIGURE_DATA) as Figure[]).flatMap((figure) => {
    if (!isMeasured(figure, facts.family)) return [];
    const marks = (figure.startsWith('bow-') ? (bows[0]?.log ?? log) : log).measures.filter(
      (each) => each.figure === figure,
    );
    const [first, last] = [marks[0], marks.at(-1)];
    if (!first || !last) return [];
    const moved = Math.abs(last.value - first.value) >= MOVED_STEPS * FIGURE_DATA[figure].step - 1e-9;
    // What is only looked at is told where it has moved; the set-up sheet as it is.
    return own.has(figure) || moved ? [{ figure, first, last: last === first ? null : last, moved }] : [];
  });
}

/**
 * What the workshop is told of one instrument, composed from what is on record [handbook 11].
 * @param planned what the household’s year has for it
 */
export function briefOf(assessment: Assessment, planned: readonly PlannedItem[]): Brief {
  const { log, found, air } = assessment;
  const troubles = log.troubles.filter(({ settled }) => settled === null).reverse();
  const theirs = new Set(forWorkshop(found).map(({ eventId }) => eventId));
  const since = Math.min(log.nowMs - LATELY_DAYS * DAY_MS, ...troubles.map(({ at }) => at));
  const body = air?.verdict.body ?? null;
  const shown = new Set(found.map(({ eventId }) => eventId));
  const looks = new Set(found.map(({ look }) => look));
  const photos = log.photos.filter(
    ({ findingId, look, at }) =>
      (findingId !== null && shown.has(findingId)) || (look !== null && looks.has(look)) || at >= since,
  );
  return {
    troubles,
    found: found.filter(({ eventId }) => theirs.has(eventId)),
    besides: found.filter(({ eventId }) => !theirs.has(eventId)),
    changes: changesOf(assessment),
    tried: log.works
      .flatMap(({ job, ended }) =>
        ended?.finished && ended.at >= since ? [{ job, at: ended.at, note: ended.note }] : [],
      )
      .reverse(),
    figures: figuresIn(assessment),
    air: body && { restRh: body.restRh, side: air!.verdict.side, weekRh: air!.verdict.weekRh },
    due: planned.filter(({ who, day }) => who === 'workshop' && day * DAY_MS - log.nowMs <= ALONG_DAYS * DAY_MS),
    photos: [...photos].reverse().slice(0, MOST_PHOTOS),
  };
}
