export function keepUp(
  what: string,
  start: () => Promise<{ exited: Promise<number> }>,
  stopping: () => boolean,
  running?: { exited: Promise<number> },
  hindrance?: () => Promise<string | null>,
  pause?: (ms: number) => Promise<unknown>,
): Promise<void>;
