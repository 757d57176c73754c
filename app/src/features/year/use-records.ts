import type { OperationId, ResponseOf } from '@tembrin/contract';
import { useState } from 'react';
import { call, sentenceOf } from '@/state/api';
import { openCards } from '@/state/cards';
import { refreshAir } from '@/state/air';
import { refreshHousehold, useHousehold } from '@/state/household';
import { look as refreshLog } from '@/state/log';
import { notify } from '@/state/notice';
import { download } from '../files/files';
import { copy } from '@/copy/screens/year/records';

/** Files that go out and come in: what is on its way, what a file would bring. */
export function useRecords() {
  const household = useHousehold((state) => state.household)!;
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const [looked, setLooked] = useState<{ file: File; outcome: ResponseOf<'importArchive'> } | null>(null);
  const out = async (id: OperationId) => {
    setProblem(null);
    setBusy(id);
    try {
      await download(id);
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  /** Photographs come in one by one: what is wrong with one keeps none of the others out. */
  const bringPhotos = async (file: File) => {
    setProblem(null);
    setBusy('in');
    try {
      const { photos, known, left } = await call('importPhotos', { file });
      notify(copy.photosCameIn(photos, known));
      if (left.length > 0) setProblem(left.join(' '));
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  const bring = async (file: File) => {
    setProblem(null);
    setBusy('in');
    setLooked(null);
    try {
      const csv = /\.csv$/i.test(file.name);
      const came = csv ? await call('importLog', { file }) : await call('importArchive', { file, query: {} });
      await refreshHousehold();
      await Promise.all([refreshLog(), openCards(household.id), refreshAir(true)]);
      notify(copy.entriesCameIn(came.events, came.instruments, came.known));
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  /** A household's file is looked at first; a log alone brings nothing that is not told afterwards. */
  const look = async (file: File) => {
    if (/\.csv$/i.test(file.name)) return bring(file);
    if (/\.zip$/i.test(file.name)) return bringPhotos(file);
    setProblem(null);
    setBusy('in');
    try {
      setLooked({ file, outcome: await call('importArchive', { file, query: { look: 'true' } }) });
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  return { problem, busy, looked, out, bring, look, forget: () => setLooked(null) };
}
