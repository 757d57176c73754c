import { fixed } from '@/copy/numbers';
import type { CalendarOccasion, CalendarPreview, Card } from '@tembrin/contract';
import { CALENDAR_BYTES } from '@tembrin/contract/year';
import { router } from 'expo-router';
import { useState } from 'react';
import { call, sentenceOf } from '@/state/api';
import { addCards, changeCard, useCards } from '@/state/cards';
import { notify } from '@/state/notice';
import { dateWords } from '@/copy/dates';
import { useMoment } from '../air/where';
import { useFileInput } from '../files/files';
import { dateOfDay, localDay } from '@tembrin/core/time';
import { MOST_SPANS, type Occasion, type OccasionKind } from '@tembrin/core/year';
import { copy } from '@/copy/screens/year/calendar';

/** Another calendar’s file: looked at, chosen from, taken in. */
export function useBringIn() {
  const { nowMs, timeZone } = useMoment();

  const cards = useCards('occasion');
  const [preview, setPreview] = useState<CalendarPreview | null>(null);
  const [kinds, setKinds] = useState<Readonly<Record<string, OccasionKind | null>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const today = dateOfDay(localDay(nowMs, timeZone));
  /** What is in the year from such a file, by what the file calls it. */
  const known = new Map(
    cards.flatMap((card) => (card.facts.source === null ? [] : [[card.facts.source, card] as const])),
  );
  const coming = (spans: Occasion['spans']) => spans.filter(({ to }) => to >= today);
  /** An occasion that is here, on other days: it was moved. What is past stays as it was. */
  const movedFrom = ({ uid, spans }: Pick<CalendarOccasion, 'uid' | 'spans'>): Card<'occasion'> | null => {
    const card = known.get(uid);
    if (!card || JSON.stringify(coming(card.facts.spans)) === JSON.stringify(coming(spans))) return null;
    return card;
  };
  const look = async (file: File) => {
    setPreview(null);
    setProblem(null);
    if (file.size > CALENDAR_BYTES) {
      return setProblem(copy.thatFileHasMb(fixed(file.size / 1e6, 1), CALENDAR_BYTES / 1e6));
    }
    setBusy(true);
    try {
      const found = await call('previewCalendar', { body: { text: await file.text() } });
      setPreview(found);
      // Lessons need nothing kept clear for them, and what is here already is not taken twice.
      setKinds(
        Object.fromEntries(
          found.occasions.map((occasion) => {
            const { uid, guess } = occasion;
            const moved = movedFrom(occasion);
            if (moved) return [uid, moved.facts.kind];
            return [uid, guess === 'lesson' || known.has(uid) ? null : guess];
          }),
        ),
      );
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const input = useFileInput('Calendar file', '.ics,text/calendar', (file) => void look(file));
  const chosen = preview?.occasions.filter(({ uid }) => kinds[uid]) ?? [];
  const bring = async () => {
    setBusy(true);
    try {
      const fresh = chosen.filter(({ uid }) => !known.has(uid));
      for (const { uid, title, spans } of chosen) {
        const card = known.get(uid);
        if (!card) continue;
        const past = card.facts.spans.filter(({ to }) => to < today);
        const all = [...past, ...coming(spans)].slice(-MOST_SPANS);
        await changeCard(card, { ...card.facts, title, kind: kinds[uid]!, spans: all }, null);
      }
      if (fresh.length > 0)
        await addCards(
          fresh.map(({ uid, title, spans }) => {
            const facts: Occasion = { title, kind: kinds[uid]!, instrumentId: null, spans, source: uid };
            return { kind: 'occasion' as const, facts };
          }),
          null,
        );
      notify(copy.inYourYear(fresh.length, chosen.length - fresh.length));
      router.replace('/year');
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const date = (text: string) => dateWords(Date.parse(`${text}T12:00:00Z`), nowMs, timeZone);
  return { preview, kinds, setKinds, problem, busy, known, movedFrom, input, chosen, bring, date };
}

export type BringInModel = ReturnType<typeof useBringIn>;
