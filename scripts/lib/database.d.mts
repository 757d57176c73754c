export interface RunningDatabase {
  env: Record<string, string>;
  stop(): Promise<void>;
}
export function startDatabase(folder: string, port?: number): Promise<RunningDatabase>;
export function migrateDatabase(env: Record<string, string>): Promise<void>;
export function freePort(): Promise<number>;
