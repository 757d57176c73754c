import { useCallback, useEffect, useRef, useState } from 'react';
import { pluckedString, WINDOW_SAMPLES, type PitchFound } from '@tembrin/core/sound';

export type Ear = 'off' | 'asking' | 'on' | 'refused' | 'missing';
export type Source = 'microphone' | { simulatedHz: number };

/** How often it listens. */
const EVERY_MS = 90;
/** A simulated string is plucked anew so often. */
const PLUCK_S = 1.6;

interface Listening {
  stop: () => void;
}

/** Sound from somewhere, a stretch at a time. */
interface Sound {
  sampleRate: number;
  stretch: () => Float32Array;
  close: () => void;
}

async function microphone(): Promise<Sound> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  const context = new AudioContext();
  const analyser = context.createAnalyser();
  analyser.fftSize = WINDOW_SAMPLES;
  context.createMediaStreamSource(stream).connect(analyser);
  await context.resume();
  return {
    sampleRate: context.sampleRate,
    stretch: () => {
      const samples = new Float32Array(WINDOW_SAMPLES);
      analyser.getFloatTimeDomainData(samples);
      return samples;
    },
    close: () => {
      stream.getTracks().forEach((track) => track.stop());
      void context.close();
    },
  };
}

/** A simulated string, plucked again and again: to see how it works without an instrument. */
function simulated(hz: number): Sound {
  const sampleRate = 48_000;
  const samples = pluckedString({ hz, sampleRate, seconds: PLUCK_S, driftCents: -2 });
  const began = performance.now();
  return {
    sampleRate,
    stretch: () => {
      const at = Math.floor((((performance.now() - began) / 1000) % (PLUCK_S - 0.3)) * sampleRate);
      return samples.slice(at, at + WINDOW_SAMPLES);
    },
    close: () => undefined,
  };
}

/**
 * Listens to a string and says what pitch it hears; the finding is done in a worker.
 * @param onFound called some ten times a second, with null for silence and noise
 */
export function useHearing(onFound: (found: PitchFound | null) => void) {
  const [ear, setEar] = useState<Ear>('off');
  const listening = useRef<Listening | null>(null);
  const tell = useRef(onFound);
  useEffect(() => {
    tell.current = onFound;
  });

  const stop = useCallback(() => {
    listening.current?.stop();
    listening.current = null;
    setEar('off');
  }, []);

  const start = useCallback(
    async (source: Source) => {
      stop();
      setEar('asking');
      let sound: Sound;
      try {
        sound = source === 'microphone' ? await microphone() : simulated(source.simulatedHz);
      } catch (error) {
        setEar((error as Error).name === 'NotAllowedError' ? 'refused' : 'missing');
        return;
      }
      const worker = new Worker(new URL('../workers/pitch.worker', window.location.href));
      let busy = false;
      worker.onmessage = ({ data }: MessageEvent<PitchFound | null>) => {
        busy = false;
        tell.current(data);
      };
      const timer = setInterval(() => {
        // One at a time: a slow device listens less often instead of falling behind.
        if (busy) return;
        busy = true;
        worker.postMessage({ samples: sound.stretch(), sampleRate: sound.sampleRate });
      }, EVERY_MS);
      listening.current = {
        stop: () => {
          clearInterval(timer);
          worker.terminate();
          sound.close();
        },
      };
      setEar('on');
    },
    [stop],
  );

  useEffect(() => () => listening.current?.stop(), []);
  return { ear, start, stop };
}
