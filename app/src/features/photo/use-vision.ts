import { useEffect, useRef } from 'react';
import type { VisionAnswer, VisionJob } from '@/workers/vision-jobs';

/** The worker that looks at pictures, while this page is open. It is asked one thing at a time: of what waits, the newest. */
export function useVision(onAnswer: (answer: VisionAnswer) => void, onFailure: () => void) {
  const worker = useRef<Worker | null>(null);
  const busy = useRef(false);
  const waiting = useRef<VisionJob | null>(null);
  const tell = useRef(onAnswer);
  useEffect(() => {
    tell.current = onAnswer;
  });
  useEffect(() => () => worker.current?.terminate(), []);
  const ask = (asked: VisionJob) => {
    if (busy.current) {
      waiting.current = asked;
      return;
    }
    busy.current = true;
    if (!worker.current) {
      worker.current = new Worker('/vision.js');
      worker.current.onerror = () => {
        worker.current?.terminate();
        worker.current = null;
        busy.current = false;
        waiting.current = null;
        onFailure();
      };
      worker.current.onmessage = ({ data }: MessageEvent<VisionAnswer>) => {
        // What was found in the picture follows.
        if (data.kind === 'opened') return tell.current(data);
        busy.current = false;
        const next = waiting.current;
        waiting.current = null;
        // What was asked before something newer is no longer wanted.
        if (next) ask(next);
        else tell.current(data);
      };
    }
    worker.current.postMessage(asked);
  };
  return ask;
}
