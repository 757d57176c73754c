export const DIST: string;
export function build(): Promise<string>;
export function makeServiceWorker(folder: string): Promise<void>;
