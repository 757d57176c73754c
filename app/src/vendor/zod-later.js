/**
 * Stands for Zod in the app's own bundle: what is said of a schema is noted, and the schema is built when it is first asked. So neither
 * the library nor hundreds of schemas stand before the first screen; who asks has had `zod-real` loaded.
 */
let real = null;
export const provide = (library) => {
  real = library;
};

/** What was noted of each schema to be: a property of, or a call of, what came before. */
const notes = new WeakMap();
const done = new WeakMap();
/** What is asked of a schema, and has to be answered. */
const ASKED = new Set(['parse', 'safeParse', 'parseAsync', 'safeParseAsync']);
const misused = () => {
  throw new Error('A schema is built when it is asked: nothing of it can be looked at before.');
};

function noted(note) {
  const schema = new Proxy(() => undefined, {
    get: (_target, key) => {
      if (typeof key === 'symbol') return misused();
      if (ASKED.has(key)) return (...values) => built(schema)[key](...values);
      return noted({ from: schema, key });
    },
    apply: (_target, _self, values) => noted({ from: schema, values }),
    ownKeys: misused,
    has: misused,
  });
  notes.set(schema, note);
  return schema;
}

/** A schema as the library makes it. @throws where the library was not loaded before */
export function built(value) {
  const note = notes.get(value);
  if (note === undefined) return value;
  if (real === null) throw new Error('Schemas are asked before they were loaded: see state/schemas.');
  if (!done.has(value)) done.set(value, make(note));
  return done.get(value);
}

function make({ from, key, values }) {
  if (from === undefined) return real;
  if (key !== undefined) return built(from)[key];
  const called = notes.get(from);
  const given = values.map(deep);
  if (called.key === undefined) return built(from)(...given);
  const on = built(called.from);
  if (on[called.key] === undefined) throw new Error(`The library of schemas comes without "${called.key}".`);
  return on[called.key](...given);
}

/** What was given to a schema, with schemas among it as they are. */
function deep(value) {
  if (typeof value === 'function') {
    if (notes.has(value)) return built(value);
    return (...values) => built(value(...values));
  }
  if (Array.isArray(value)) return value.map(deep);
  if (value !== null && typeof value === 'object' && Object.getPrototypeOf(value) === Object.prototype)
    return Object.fromEntries(Object.entries(value).map(([key, each]) => [key, deep(each)]));
  return value;
}

export const z = noted({});
