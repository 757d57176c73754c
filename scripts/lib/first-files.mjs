import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/**
 * What comes before the stand, of the files the bundler made: the stand's own routes stand in the first file, and what only other
 * pages share comes with the first of those. The bundler's files are lists of modules, each with its number and those of the modules
 * it uses; whatever is written in another way throws, as a module that is missing is missed only when it is used.
 */
const WEB = '_expo/static/js/web';
/** Routes that stand in the first file: each would be asked for only once the one before it had run. */
const FIRST = ['./_layout.tsx', './(shell)/_layout.tsx', './(shell)/now/index.tsx', './index.tsx'];

const BEGINS_MODULE = /\n(?=__d\()/;
const MODULE_END = /,(\d+),(\[[^\]]*\]|\{[^]*\})\);?\s*(?:\n[^]*)?$/;
/** Used when it is asked for, with where it is to be had. */
const LATER_USE = /\(\w+\[(\d+)\],\w+\.paths/g;
const RUN = /^__r\((\d+)\)/gm;

const md5 = (text) => createHash('md5').update(text).digest('hex');

/** @returns one module: its text, number, the modules it uses at once and those it loads, and where those are */
function moduleOf(text) {
  const found = MODULE_END.exec(text);
  if (!found) throw new Error(`The built app has a module that is not understood: ${text.slice(0, 80)}`);
  const { paths = {}, ...uses } = JSON.parse(found[2]);
  const loaded = new Set(Array.from(text.matchAll(LATER_USE), ([, at]) => at));
  return {
    id: Number(found[1]),
    text,
    uses: Object.keys(uses).flatMap((at) => (loaded.has(at) || uses[at] === null ? [] : [uses[at]])),
    loads: [...loaded].map((at) => uses[at]),
    at: uses,
    paths,
  };
}

/** A file of the bundler: what stands before its modules, and they. */
function readFile(folder, name) {
  const [head, ...rest] = `\n${readFileSync(join(folder, WEB, name), 'utf8')}`.split(BEGINS_MODULE);
  return { name, head: head.trim(), modules: rest.map(moduleOf) };
}

/** Everything that is run with some modules, by number. */
function reached(ids, modules) {
  const seen = new Set();
  const open = [...ids];
  while (open.length > 0) {
    const id = open.pop();
    if (seen.has(id) || !modules.has(id)) continue;
    seen.add(id);
    open.push(...modules.get(id).uses);
  }
  return seen;
}

/** The module of a route, by the list of routes. */
function routeOf(list, route) {
  const at = list.text.indexOf(`${JSON.stringify(route)}:{enumerable:!0,get`);
  const place = at < 0 ? undefined : /\(d\[(\d+)\],d\.paths\)/.exec(list.text.slice(at))?.[1];
  const id = list.at[place];
  if (id === undefined || list.paths[id] === undefined)
    throw new Error(`The built app does not tell where ${route} is.`);
  return { id, path: list.paths[id] };
}

const namesIn = (folder) => readdirSync(join(folder, WEB)).filter((name) => name.endsWith('.js'));
const numbersOf = (file) => file.modules.map(({ id }) => id);
const textOf = (file) => [file.head, ...file.modules.map(({ text }) => text)].join('\n');

/** Gives a file of the page the name of what it holds now. */
function write(folder, { name, text }) {
  const fresh = name.replace(/[0-9a-f]{32}/, md5(text));
  rmSync(join(folder, WEB, name));
  writeFileSync(join(folder, WEB, fresh), text);
  const page = join(folder, 'index.html');
  writeFileSync(page, readFileSync(page, 'utf8').replaceAll(name, fresh));
}

/**
 * Takes apart what the bundler found shared: what is run before the stand, and what is not.
 * @param begins numbers of the modules that are run first
 */
function takeApart(shared, begins, modules) {
  // What is loaded by itself and stands in the first files has no address of its own.
  const unaddressed = [...modules.values()].flatMap(({ loads, paths }) => loads.filter((id) => !(id in paths)));
  const early = reached([...begins, ...unaddressed], modules);
  const isEarly = ({ id }) => early.has(id);
  return { kept: shared.modules.filter(isEarly), putOff: shared.modules.filter((module) => !isEarly(module)) };
}

/** Says of some files that they rest on another (see app/src/resting.ts): by the beginning of the hash in their names. */
function resting(files, on) {
  const marks = files.map(({ name }) => /([0-9a-f]{4})[0-9a-f]{28}\.js$/.exec(name)[1]);
  return `globalThis.tembrinResting=${JSON.stringify({ on: `/${WEB}/${on}`, files: marks.sort() })};`;
}

/** Sets the files of a built app in the order in which they are needed. */
export function orderFiles(folder) {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const files = namesIn(folder).map((name) => readFile(folder, name));
  const named = (pattern) => files.find(({ name }) => name === pattern.exec(page)[1]);
  const [first, shared] = [named(/\/(index-[0-9a-f]{32}\.js)"/), named(/\/(__common-[0-9a-f]{32}\.js)"/)];
  const modules = new Map(files.flatMap((file) => file.modules.map((module) => [module.id, module])));
  const list = first.modules.find(({ text }) => text.includes(`${JSON.stringify(FIRST[2])}:{`));
  const routes = FIRST.map((route) => routeOf(list, route));
  const run = Array.from(textOf(first).matchAll(RUN), ([, id]) => Number(id));
  if (run.length === 0) throw new Error('The built app does not tell what it begins with.');

  const { kept, putOff } = takeApart(shared, [...run, ...routes.map(({ id }) => id)], modules);
  const later = textOf({ head: '', modules: putOff });
  const laterName = `later-${md5(later)}.js`;
  writeFileSync(join(folder, WEB, laterName), later);
  const ids = new Set(putOff.map(({ id }) => id));
  const rests = (file) => [...reached(numbersOf(file), modules)].some((id) => ids.has(id));
  const others = files.filter((file) => file !== first && file !== shared);

  const fileOf = ({ path }) => readFileSync(join(folder, path), 'utf8');
  const begins = [resting(others.filter(rests), laterName), ...routes.map(fileOf), textOf(first)];
  write(folder, { name: first.name, text: begins.join('\n') });
  write(folder, { name: shared.name, text: textOf({ head: shared.head, modules: kept }) });
}
