import { useCallback, useEffect, useRef, useState } from 'react';
import { pluckedString, windowSamples, type Hearing } from '@tembrin/core/sound';

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

/** More samples a second than these tell nothing of a string; a browser that cannot thin a microphone's out gives its own. */
const RATE = 48_000;

function audioContext(): AudioContext {
  try {
    return new AudioContext({ sampleRate: RATE });
  } catch {
    return new AudioContext();
  }
}

async function microphone(): Promise<Sound> {
  const stream = await navigator.mediaDevices.getUserMedia({
    audio: { echoCancellation: false, noiseSuppression: false, autoGainControl: false },
  });
  const context = audioContext();
  const analyser = context.createAnalyser();
  // A browser hands out 32,768 samples at once and no more.
  analyser.fftSize = Math.min(32_768, windowSamples(context.sampleRate));
  context.createMediaStreamSource(stream).connect(analyser);
  await context.resume();
  return {
    sampleRate: context.sampleRate,
    stretch: () => {
      const samples = new Float32Array(analyser.fftSize);
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
  const sampleRate = RATE;
  const length = windowSamples(sampleRate);
  const samples = pluckedString({ hz, sampleRate, seconds: PLUCK_S, driftCents: -2 });
  const began = performance.now();
  return {
    sampleRate,
    stretch: () => {
      const at = Math.floor((((performance.now() - began) / 1000) % (PLUCK_S - 0.4)) * sampleRate);
      return samples.slice(at, at + length);
    },
    close: () => undefined,
  };
}

/**
 * Listens to a string and says what pitch it hears; the finding is done in a worker.
 * @param onFound called some times a second, with null for silence and noise, 'hum' where the mains drowns the string
 */
export function useHearing(onFound: (found: Hearing) => void) {
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
      const worker = new Worker('/pitch.js');
      let busy = false;
      worker.onmessage = ({ data }: MessageEvent<Hearing>) => {
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
