import type { ChildProcess, SpawnOptions } from 'node:child_process';
/** The folder of the project. */
export const ROOT: string;
export function runTypeScript(file: string, env: Record<string, string>, options?: SpawnOptions): ChildProcess;
