import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { act } from '@/state/actions';
import { useAssessment } from '@/state/assessments';
import { inHand } from '@/state/bows';
import { loadPhotos } from '@/state/load-seldom';
import type { Draft } from '@/state/log';
import { notifyProblem } from '@/state/notice';
import { usePreferences } from '@/state/preferences';
import { measureWords } from '@/copy/measures';
import { copy } from '@/copy/screens/photo/measure';
import { FIGURE_DATA, LOOK_DATA, LOOKS, type Figure } from '@tembrin/core/instruments';
import { unlessGone } from '../unless-gone';
import { NoPhoto, takePhoto } from './open-photo';

/** What is looked at by a figure; null where it is no look's. */
const lookOf = (figure: Figure) => LOOKS.find((look) => LOOK_DATA[look].figures?.includes(figure)) ?? null;

/** Keeps the picture that was measured by. @returns the entry that names it; null where it could not be kept, which is told */
async function keepPicture(instrument: Instrument, figure: Figure, file: File): Promise<Draft<'photographed'> | null> {
  let bytes: Uint8Array;
  try {
    bytes = await takePhoto(file);
  } catch (error) {
    notifyProblem(error instanceof NoPhoto ? error.message : copy.notOpened);
    return null;
  }
  const photo = await (await loadPhotos()).keepPhoto(instrument.id, bytes);
  const look = lookOf(figure);
  const zone = look && LOOK_DATA[look].zone;
  return photo === null ? null : { type: 'photographed', payload: { photo, look, zone, findingId: null } };
}

/** Sends a picture whose entry stands; lets go of one that nothing names. */
async function settlePicture({ id }: Instrument, { payload }: Draft<'photographed'>, stands: boolean): Promise<void> {
  const photos = await loadPhotos();
  if (stands) void photos.sendPhotos().catch(() => undefined);
  else await photos.letGo({ instrumentId: id, photo: payload.photo });
}

/** Putting a reading on record as a figure of the instrument, where it can be that; with its picture, if that is wanted. */
export function useRecord(instrument: Instrument, figure: Figure | null, value: number | null, file: File | null) {
  const [keeps, setKeeps] = useState(false);
  const { bows } = useAssessment(instrument);
  const lengths = usePreferences((state) => state.lengths);
  const data = figure && FIGURE_DATA[figure];
  const fits = value !== null && data !== null && value >= data.least && value <= data.most;
  const record = async () => {
    if (!figure || !data || value === null || !fits) return;
    const goBack = unlessGone(() => (router.canGoBack() ? router.back() : router.replace('/bench')));
    const rounded = Number(value.toFixed(2));
    const payload = { figure, value: rounded, ...(figure.startsWith('bow-') && inHand(instrument, bows)) };
    const words = measureWords(figure, rounded, lengths);
    const kept = keeps && file ? await keepPicture(instrument, figure, file) : null;
    if (keeps && !kept) return;
    const drafts: Draft[] = [{ type: 'measured', payload }, ...(kept ? [kept] : [])];
    const done = await act(instrument.id, drafts, copy.recorded(data.title, words));
    if (kept) await settlePicture(instrument, kept, done.length > 0);
    if (done.length > 0) goBack();
  };
  return { fits, record, keeps, setKeeps };
}
