export const CHROMIUM: { executablePath: string; args: string[] };
export const SHELL: { executablePath: string; args: string[] };
