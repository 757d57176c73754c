import '@/configure-zod';
import { Assessor, type Changes } from './assessor';

/** Judges the household away from the thread that draws. */
const assessor = new Assessor(
  (verdict) => self.postMessage(verdict),
  (work) => setTimeout(work, 0),
);
self.onmessage = ({ data }: MessageEvent<Changes>) => assessor.take(data);
