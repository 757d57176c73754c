import { deserialize, serialize } from 'node:v8';

/** A value as it comes out of a worker: a copy of all of it, in which what was one thing is one again. */
export const sent = <T>(value: T): T => deserialize(serialize(value)) as T;
