import { CALENDAR_BYTES, type CalendarPreview } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { call, sentenceOf } from '@/state/api';
import { addCards, useCards } from '@/state/cards';
import { dateWords } from '@/copy/dates';
import { useMoment } from '../air/where';
import { useFileInput } from '../files/files';
import { type Occasion, type OccasionKind } from '@tembrin/core/year';
import { copy } from '@/copy/screens/year/calendar';

/** Another calendar’s file: looked at, chosen from, taken in. */
export function useBringIn() {
  const { nowMs, timeZone } = useMoment();

  const cards = useCards('occasion');
  const [preview, setPreview] = useState<CalendarPreview | null>(null);
  const [kinds, setKinds] = useState<Readonly<Record<string, OccasionKind | null>>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const known = new Set(cards.flatMap(({ facts }) => facts.source ?? []));
  const look = async (file: File) => {
    setPreview(null);
    setProblem(null);
    if (file.size > CALENDAR_BYTES) {
      return setProblem(copy.thatFileHasMb((file.size / 1e6).toFixed(1), CALENDAR_BYTES / 1e6));
    }
    setBusy(true);
    try {
      const found = await call('previewCalendar', { body: { text: await file.text() } });
      setPreview(found);
      // Lessons need nothing kept clear for them, and what is here already is not taken twice.
      setKinds(
        Object.fromEntries(
          found.occasions.map(({ uid, guess }) => [uid, guess === 'lesson' || known.has(uid) ? null : guess]),
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
      await addCards(
        chosen.map(({ uid, title, spans }) => {
          const facts: Occasion = { title, kind: kinds[uid]!, instrumentId: null, spans, source: uid };
          return { kind: 'occasion' as const, facts };
        }),
        copy.inYourYear(chosen.length),
      );
      router.replace('/year');
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(false);
    }
  };
  const date = (text: string) => dateWords(Date.parse(`${text}T12:00:00Z`), nowMs, timeZone);
  return { preview, kinds, setKinds, problem, busy, known, input, chosen, bring, date };
}

export type BringInModel = ReturnType<typeof useBringIn>;
