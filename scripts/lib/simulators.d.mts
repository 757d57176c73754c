export function startSimulators(env?: Record<string, string>): Promise<{
  env: Record<string, string>;
  tell(server: string): void;
  stop(): Promise<void>;
}>;
