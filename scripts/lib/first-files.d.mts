export function orderFiles(folder: string, by: string): Promise<void>;
