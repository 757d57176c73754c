import { useLog } from '@/state/log';

type LogState = ReturnType<typeof useLog.getState>;

/** Resolves once the log on this device is so. */
export function until(ready: (state: LogState) => boolean): Promise<void> {
  return new Promise((resolve) => {
    if (ready(useLog.getState())) return resolve();
    const stop = useLog.subscribe((state) => {
      if (!ready(state)) return;
      stop();
      resolve();
    });
  });
}
