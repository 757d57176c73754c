export function orderFiles(folder: string): void;
