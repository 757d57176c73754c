import { useState } from 'react';
import { sentenceOf } from '@/state/api';
import { notifyProblem } from '@/state/notice';

/** Does something that needs the server, and tells what went wrong. */
export function useAsking() {
  const [busy, setBusy] = useState(false);
  const ask = async (work: () => Promise<void>) => {
    setBusy(true);
    await work().catch((error: unknown) => notifyProblem(sentenceOf(error)));
    setBusy(false);
  };
  return { busy, ask };
}
