import { createHash } from 'node:crypto';
import { readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';
import { AHEAD, shorten } from './shorten.mjs';

/**
 * What comes before the stand, of the files the bundler made: all of it, the stand's own routes among it, is one file; what only other
 * pages share comes with the first of those, and with it the routes that hold nothing but where their page is. The bundler's files are
 * lists of modules, each with its number and those of the modules it uses; whatever is written in another way throws, as a module that
 * is missing is missed only when it is used.
 */
const WEB = '_expo/static/js/web';
/** Routes that stand in the first file: each would be asked for only once the one before it had run. */
const FIRST = ['./_layout.tsx', './(shell)/_layout.tsx', './(shell)/now/index.tsx', './index.tsx'];

/** Routes of fewer letters hold no page: each by itself would be a turn to the server before its page is asked for. */
const BARE_ROUTE = 500;

const BEGINS_MODULE = /\n(?=__d\()/;
const MODULE_END = /,(\d+),(\[[^\]]*\]|\{[^]*\})\);?\s*(\n[^]*)?$/;
/** Used when it is asked for, with where it is to be had. */
const LATER_USE = /\(\w+\[(\d+)\],\w+\.paths/g;
const RUN = /^__r\((\d+)\)/gm;
/** A file of the bundler, named by the page. */
const SCRIPT = new RegExp(`<script src="/${WEB}/([\\w-]+\\.js)" defer></script>\\s*`, 'g');

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
const pathOf = (name) => `/${WEB}/${name}`;
const textOf = (modules, places) => modules.map((module) => placed(module, places).text.trim()).join('\n');

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

/** The name of a file as it is written here, where what writes it has a part. */
const freshName = (name, by) => name.replace(/[0-9a-f]{32}/, (hash) => md5(hash + by));

/** Says of some files that they rest on another (see app/src/resting.ts): by the beginning of the hash in their names. */
function resting(files, on) {
  const marks = files.map(({ fresh }) => /([0-9a-f]{4})[0-9a-f]{28}\.js$/.exec(fresh)[1]);
  return `globalThis.tembrinResting=${JSON.stringify({ on: pathOf(on), files: marks.sort() })};`;
}

/** A module with where others are to be had now: a path by what it was; null where it needs none. */
function placed(module, places) {
  if (Object.keys(module.paths).length === 0) return module;
  const paths = Object.fromEntries(
    Object.entries(module.paths).flatMap(([id, path]) => {
      const place = places.get(path);
      if (place === undefined) throw new Error(`The built app asks for ${path}, which it does not have.`);
      return place === null ? [] : [[id, place]];
    }),
  );
  const uses = JSON.stringify({ ...module.at, paths });
  return {
    ...module,
    text: module.text.replace(MODULE_END, (_all, id, _uses, runs = '') => `,${id},${uses});${runs}`),
  };
}

/** The files of a built app, and which of them are what. */
function filesOf(folder, page) {
  const files = namesIn(folder).map((name) => readFile(folder, name));
  const begins = Array.from(page.matchAll(SCRIPT), ([, name]) => files.find((file) => file.name === name));
  const [first, shared] = ['index', '__common'].map((name) => begins.find((file) => file.name.startsWith(`${name}-`)));
  const modules = new Map(files.flatMap((file) => file.modules.map((module) => [module.id, module])));
  const list = first.modules.find(({ text }) => text.includes(`${JSON.stringify(FIRST[2])}:{`));
  const routes = FIRST.map((route) => routeOf(list, route));
  const stand = routes.map(({ path }) => files.find((file) => pathOf(file.name) === path));
  const pages = files.filter((file) => !begins.includes(file) && !stand.includes(file));
  const listed = new Set(Object.values(list.paths));
  const isBare = (file) =>
    listed.has(pathOf(file.name)) && file.modules.reduce((letters, { text }) => letters + text.length, 0) < BARE_ROUTE;
  return { begins, first, shared, modules, routes, stand, bare: pages.filter(isBare), pages };
}

/**
 * Sets the files of a built app in the order in which they are needed.
 * @param by what writes them so, in a few letters: other letters are other names
 */
export async function orderFiles(folder, by) {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const { begins, first, shared, modules, routes, stand, bare, pages } = filesOf(folder, page);
  const runs = Array.from(first.modules.at(-1).text.matchAll(RUN), ([, id]) => Number(id));
  if (runs.length === 0) throw new Error('The built app does not tell what it begins with.');
  const { kept, putOff } = takeApart(shared, [...runs, ...routes.map(({ id }) => id)], modules);
  const rest = pages
    .filter((file) => !bare.includes(file))
    .map((file) => ({ ...file, fresh: freshName(file.name, by) }));
  const places = new Map([
    ...stand.map(({ name }) => [pathOf(name), null]),
    ...rest.map(({ name, fresh }) => [pathOf(name), pathOf(fresh)]),
  ]);

  const later = await shorten(textOf([...putOff, ...bare.flatMap((file) => file.modules)], places));
  const laterName = `later-${md5(later)}.js`;
  for (const { name } of bare) places.set(pathOf(name), pathOf(laterName));
  const ids = new Set(putOff.map(({ id }) => id));
  const rests = (file) => [...reached(numbersOf(file), modules)].some((id) => ids.has(id));
  const before = [AHEAD, ...begins.map(({ head }) => head), resting(rest.filter(rests), laterName)];
  const held = [...kept, ...stand.flatMap((file) => file.modules), ...first.modules];
  const text = await shorten([...before, textOf(held, places)].join('\n'));

  for (const name of namesIn(folder)) rmSync(join(folder, WEB, name));
  const keep = (name, content) => writeFileSync(join(folder, WEB, name), content);
  const name = `index-${md5(text)}.js`;
  keep(name, text);
  keep(laterName, later);
  for (const { fresh, head, modules: own } of rest) keep(fresh, await shorten(`${head}\n${textOf(own, places)}`));
  const [tag, ...more] = Array.from(page.matchAll(SCRIPT), ([all]) => all);
  const one = more.reduce((without, other) => without.replace(other, ''), page);
  writeFileSync(join(folder, 'index.html'), one.replace(tag, `<script src="${pathOf(name)}" defer></script>`));
}
