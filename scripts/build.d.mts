export const DIST: string;
export function build(): Promise<string>;
