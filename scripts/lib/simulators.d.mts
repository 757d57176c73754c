export function startSimulators(env?: Record<string, string>): Promise<{
  env: Record<string, string>;
  /** Where letters are read; null where a mail server was named. */
  mail: string | null;
  /** Where what phones would show is read. */
  push: string;
  told: string[];
  tell(server: string): void;
  stop(): Promise<void>;
}>;
