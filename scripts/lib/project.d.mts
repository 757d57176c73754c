import type { ChildProcess, SpawnOptions } from 'node:child_process';
export function runTypeScript(file: string, env: Record<string, string>, options?: SpawnOptions): ChildProcess;
