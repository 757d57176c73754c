import type { IntakeProgress } from '@tembrin/contract';
import { PREVIEW_BYTES, SAMPLE_BYTES } from '@tembrin/contract/intake';
import { useEffect, useRef, useState } from 'react';
import { v7 as uuid } from 'uuid';
import { call, sentenceOf } from '@/state/api';
import { INTAKE_COPY } from '@/copy/intake';

/** How often the server is asked how far it is, ms. */
const ASK_MS = 500;

/** How many bytes of a preview are of the file's middle, and how many of its end. */
interface Samples {
  middle: number | undefined;
  end: number | undefined;
}
const NO_SAMPLES: Samples = { middle: undefined, end: undefined };

/** The top of a file with a little of its middle and its end behind it; all of it where it is small. */
export function sampled(file: Blob): [Blob, Samples] {
  if (file.size <= PREVIEW_BYTES + 2 * SAMPLE_BYTES) return [file.slice(0, PREVIEW_BYTES + 1), NO_SAMPLES];
  // Letters may be of two bytes: a stretch begins at an even place.
  const even = (at: number) => at - (at % 2);
  const middle = even(Math.floor(file.size / 2));
  const end = even(file.size - SAMPLE_BYTES + 1);
  const parts = [file.slice(0, PREVIEW_BYTES + 2), file.slice(middle, middle + SAMPLE_BYTES), file.slice(end)];
  return [new Blob(parts), { middle: parts[1]!.size, end: parts[2]!.size }];
}

/** What differs between the files that are read line by line. `C`: choices that no column makes. */
export interface IntakeKind<G extends object, P extends { guess: G }, C extends object> {
  mostBytes: number;
  /** Whether something of its middle and its end is looked at besides its top. */
  sampled: boolean;
  /** The plan to read it by; null while something has to be asked. */
  planOf: (guess: G) => object | null;
  preview: (top: Blob, plan: string | undefined, choices: C, samples: Samples) => Promise<P>;
  bring: (importId: string, file: File, plan: string, choices: C, signal: AbortSignal) => Promise<IntakeProgress>;
  /** Called when it is all in. */
  onDone: (progress: IntakeProgress) => Promise<void> | void;
}

const BEGUN: Omit<IntakeProgress, 'total'> = {
  state: 'running',
  lines: 0,
  received: 0,
  bytes: 0,
  intake: { stored: 0, known: 0, corrected: 0 },
  left: 0,
  unreadable: 0,
  examples: [],
  problem: null,
};

/** Taking in a file that is read line by line: chosen, looked at, its columns matched, brought in with progress, stopped. */
export function useIntake<G extends object, P extends { guess: G }, C extends object>(
  kind: IntakeKind<G, P, C>,
  firstChoices: C,
) {
  const [file, setFile] = useState<File | null>(null);
  const [preview, setPreview] = useState<P | null>(null);
  const [guess, setGuess] = useState<G | null>(null);
  const [choices, setChoices] = useState(firstChoices);
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState(false);
  const bringing = useBringing(kind, setProblem);
  /** Counts what was asked, so that an answer that comes late is passed over. */
  const asked = useRef(0);
  const plan = guess && kind.planOf(guess);

  const look = async (chosen: File, wanted: G | null, chosenSo: C) => {
    const turn = ++asked.current;
    const known = wanted && kind.planOf(wanted);
    setProblem(null);
    setBusy(true);
    try {
      const [top, samples] = kind.sampled ? sampled(chosen) : [chosen.slice(0, PREVIEW_BYTES + 1), NO_SAMPLES];
      const found = await kind.preview(top, known ? JSON.stringify(known) : undefined, chosenSo, samples);
      if (turn !== asked.current) return;
      setPreview(found);
      setGuess(wanted ?? found.guess);
    } catch (error) {
      if (turn !== asked.current) return;
      setPreview(null);
      setProblem(sentenceOf(error));
    } finally {
      if (turn === asked.current) setBusy(false);
    }
  };

  const choose = async (chosen: File) => {
    setPreview(null);
    setGuess(null);
    bringing.forget();
    const fits = chosen.size <= kind.mostBytes;
    setFile(fits ? chosen : null);
    if (fits) await look(chosen, null, choices);
    else setProblem(INTAKE_COPY.tooLarge(chosen.size, kind.mostBytes));
  };
  /** Another column, order or unit. */
  const change = (more: Partial<G>) => {
    const next = { ...guess!, ...more };
    setGuess(next);
    if (file && kind.planOf(next)) void look(file, next, choices);
  };
  /** Another choice that no column makes. */
  const decide = (more: Partial<C>) => {
    const next = { ...choices, ...more };
    setChoices(next);
    if (file) void look(file, guess, next);
  };

  const bring = async () => {
    if (plan && file) await bringing.bring(file, JSON.stringify(plan), choices);
  };
  const { progress, stop } = bringing;
  return { file, preview, guess, plan, choices, problem, busy, progress, choose, change, decide, bring, stop };
}

/** One file on its way in: how far it is, and stopping it. @param tell told of a problem, or null where there is none */
function useBringing<G extends object, P extends { guess: G }, C extends object>(
  kind: IntakeKind<G, P, C>,
  tell: (problem: string | null) => void,
) {
  const [progress, setProgress] = useState<IntakeProgress | null>(null);
  const running = useRef<{ id: string; stop: AbortController } | null>(null);
  useEffect(() => () => running.current?.stop.abort(), []);

  const bring = async (file: File, plan: string, choices: C) => {
    const id = uuid();
    const stop = new AbortController();
    running.current = { id, stop };
    tell(null);
    setProgress({ ...BEGUN, total: file.size });
    const now = () => call('readImport', { params: { importId: id } });
    const asking = setInterval(() => {
      now()
        .then((so) => running.current?.id === id && setProgress(so))
        .catch(() => undefined);
    }, ASK_MS);
    try {
      const done = await kind.bring(id, file, plan, choices, stop.signal);
      setProgress(done);
      await kind.onDone(done);
    } catch (error) {
      // It may have come to its end just before it was to be stopped.
      const so = stop.signal.aborted ? await now().catch(() => null) : null;
      if (so?.state === 'done') {
        setProgress(so);
        await kind.onDone(so);
      } else {
        setProgress(null);
        tell(!stop.signal.aborted ? sentenceOf(error) : so ? INTAKE_COPY.stopped : INTAKE_COPY.unsure);
      }
    } finally {
      clearInterval(asking);
      running.current = null;
    }
  };
  const stop = async () => {
    const job = running.current;
    if (!job) return;
    await call('cancelImport', { params: { importId: job.id } }).catch(() => undefined);
    job.stop.abort();
  };
  return { progress, bring, stop, forget: () => setProgress(null) };
}
