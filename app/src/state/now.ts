import { useEffect, useState } from 'react';

/** The present moment in ms, told again every so often. */
export function useNow(everyMs: number): number {
  const [nowMs, setNow] = useState(() => Date.now());
  useEffect(() => {
    const tick = () => setNow(Date.now());
    const timer = setInterval(tick, everyMs);
    // Timers sleep while a phone is locked; on waking the clock must be right at once.
    document.addEventListener('visibilitychange', tick);
    return () => {
      clearInterval(timer);
      document.removeEventListener('visibilitychange', tick);
    };
  }, [everyMs]);
  return nowMs;
}
