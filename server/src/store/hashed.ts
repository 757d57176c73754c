import { createHash } from 'node:crypto';

/** A value of any length as a short one (SHA-256, base64), to count or to look up by. */
export const hashed = (value: string) => createHash('sha256').update(value).digest('base64');
