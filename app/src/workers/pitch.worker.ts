import { detectPitch } from '@tembrin/core/listening';

/** Finds the pitch of a stretch of sound, away from the thread that draws. */
self.onmessage = ({ data }: MessageEvent<{ samples: Float32Array; sampleRate: number }>) => {
  self.postMessage(detectPitch(data.samples, data.sampleRate));
};
