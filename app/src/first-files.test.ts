import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { createContext, runInContext } from 'node:vm';
import { orderFiles } from '../../scripts/lib/first-files.mjs';

const WEB = '_expo/static/js/web';
const HASH = (digit: string) => digit.repeat(32);
const FILES = {
  index: `index-${HASH('1')}.js`,
  common: `__common-${HASH('2')}.js`,
  root: `_layout-${HASH('3')}.js`,
  shell: `_layout-${HASH('4')}.js`,
  now: `index-${HASH('5')}.js`,
  welcome: `index-${HASH('6')}.js`,
  kit: `kit-${HASH('7')}.js`,
  lone: `lone-${HASH('8')}.js`,
  bare: `index-${HASH('9')}.js`,
};
const ROUTES = [
  ['./_layout.tsx', 11, FILES.root],
  ['./(shell)/_layout.tsx', 12, FILES.shell],
  ['./(shell)/now/index.tsx', 13, FILES.now],
  ['./index.tsx', 14, FILES.welcome],
  ['./kit.tsx', 15, FILES.kit],
  ['./lone.tsx', 16, FILES.lone],
  ['./bare.tsx', 17, FILES.bare],
] as const;

/** A module that gives what it has, as the bundler writes it; a page among them is of some length. */
const page = (id: number, ...of: number[]) =>
  `__d(function(g,r,i,a,m,e,d){"use strict";Object.defineProperty(e,'__esModule',{value:!0}),Object.defineProperty(e,"default",` +
  `{enumerable:!0,get:function(){return t}}),Object.defineProperty(e,"also",{enumerable:!0,get:function(){return n.x}});ran.push(${id});` +
  `${of.map((_, at) => `r(d[${at}]);`).join('')}const t="${'page '.repeat(60)}",n={x:${id}}},${id},[${of.join(',')}]);`;
/** A module as the bundler writes it: what it uses is run with it. */
const uses = (id: number, ...of: number[]) =>
  `__d(function(g,r,i,a,m,e,d){ran.push(${id});${of.map((_, at) => `r(d[${at}]);`).join('')}},${id},[${of.join(',')}]);`;
/** The module that lists the routes. */
const list = () => {
  const getters = ROUTES.map(
    ([route], at) => `"${route}":{enumerable:!0,get:function(){return r(d[${ROUTES.length}])(d[${at}],d.paths)}}`,
  );
  const deps = Object.fromEntries([...ROUTES.map(([, id], at) => [at, id]), [ROUTES.length, 2]]) as object;
  const paths = Object.fromEntries(ROUTES.map(([, id, file]) => [id, `/${WEB}/${file}`])) as object;
  return `__d(function(g,r,i,a,m,e,d){ran.push(1);g.routes=Object.defineProperties({},{${getters.join(',')}})},1,${JSON.stringify({ ...deps, paths })});`;
};

let folder: string;
const path = (name: string) => join(folder, WEB, name);
const built = () => readdirSync(join(folder, WEB)).sort();
const named = (begin: string) => built().filter((name) => name.startsWith(begin) && name.length === begin.length + 35);

const make = () => {
  folder = mkdtempSync(join(tmpdir(), 'tembrin-built-'));
  mkdirSync(join(folder, WEB), { recursive: true });
  const write = (name: string, ...modules: string[]) => writeFileSync(path(name), modules.join('\n'));
  write(FILES.index, list(), uses(2), uses(3, 20), '__r(3);', '__r(1);');
  write(FILES.common, uses(20), uses(21), uses(22, 23), uses(23), uses(24));
  write(FILES.root, uses(11));
  write(FILES.shell, uses(12));
  write(FILES.now, uses(13, 21));
  write(FILES.welcome, uses(14));
  write(FILES.kit, page(15, 22));
  write(FILES.lone, page(16, 20));
  write(FILES.bare, uses(17, 24));
  const scripts = [FILES.common, FILES.index].map((name) => `<script src="/${WEB}/${name}" defer></script>`);
  writeFileSync(join(folder, 'index.html'), scripts.join(''));
};
beforeEach(make);
afterEach(() => rmSync(folder, { recursive: true }));

/** The file the page names. */
const first = () => {
  const named = Array.from(
    readFileSync(join(folder, 'index.html'), 'utf8').matchAll(/web\/([^"]+)"/g),
    ([, name]) => name!,
  );
  expect(named).toHaveLength(1);
  return named[0]!;
};
/** Where a file that is loaded when it is asked for went: its name is other than the bundler's. */
const placeOf = (begin: string) => named(begin)[0]!;

/** Runs files as a browser would. @returns the modules that are there, those that ran, and what the build tells */
function run(...names: readonly string[]) {
  const modules = new Map<number, [(...parts: unknown[]) => void, unknown]>();
  const world = {
    ran: [] as number[],
    __d: (made: (...parts: unknown[]) => void, id: number, deps: unknown) => modules.set(id, [made, deps]),
    __r: (id: number): Record<string, unknown> => {
      const there = modules.get(id);
      if (!there) throw new Error(`no module ${id}`);
      const given = {};
      there[0](world, world.__r, 0, 0, {}, given, there[1]);
      return given;
    },
    tembrinResting: undefined as unknown as { on: string; files: string[] },
  };
  const context = createContext(Object.assign(world, { globalThis: world }));
  for (const name of names) runInContext(readFileSync(path(name), 'utf8'), context);
  const paths = (modules.get(1)?.[1] as { paths: Record<string, string> } | undefined)?.paths ?? {};
  return {
    there: [...modules.keys()].sort((a, b) => a - b),
    ran: world.ran,
    resting: world.tembrinResting,
    require: world.__r,
    paths,
  };
}

test('before the stand comes what it runs, its routes among it, as one file; the rest of what is shared is put off', async () => {
  await orderFiles(folder, 'by');
  const { there, ran, require } = run(first());
  expect(there).toEqual([1, 2, 3, 11, 12, 13, 14, 20, 21]);
  expect(ran).toEqual([3, 20, 1]);
  // The stand's own route finds all it uses.
  require(13);
  expect(ran.slice(3)).toEqual([13, 21]);
});

test('a page that uses what was put off is told to rest on it, and no other', async () => {
  await orderFiles(folder, 'by');
  const [later, kit] = [placeOf('later-'), placeOf('kit-')];
  const { resting } = run(first());
  expect(resting).toEqual({ on: `/${WEB}/${later}`, files: [kit.slice(4, 8)] });
  const { require, ran } = run(first(), later, kit);
  const given = require(15);
  expect(ran.slice(3)).toEqual([15, 22, 23]);
  expect({ ...given, also: given.also }).toMatchObject({
    also: 15,
    default: expect.stringContaining('page') as string,
  });
});

test('every file is asked for by the name it has; a route that holds no page is with what is shared, those of the stand nowhere else', async () => {
  await orderFiles(folder, 'by');
  const { paths } = run(first());
  expect(paths).toEqual({
    15: `/${WEB}/${placeOf('kit-')}`,
    16: `/${WEB}/${placeOf('lone-')}`,
    17: `/${WEB}/${placeOf('later-')}`,
  });
  expect(built()).toEqual([first(), placeOf('kit-'), placeOf('later-'), placeOf('lone-')]);
  const { require, ran } = run(first(), placeOf('later-'));
  require(17);
  expect(ran.slice(3)).toEqual([17, 24]);
});

test('what is written otherwise has another name', async () => {
  await orderFiles(folder, 'by');
  const before = built();
  rmSync(folder, { recursive: true });
  make();
  await orderFiles(folder, 'by others');
  expect(built()).not.toContain(before.find((name) => name.startsWith('kit-')));
});

test('what is asked for and is not there is no app', async () => {
  rmSync(path(FILES.lone));
  await expect(orderFiles(folder, 'by')).rejects.toThrow('which it does not have');
});

test('a bundle that is written otherwise is no bundle', async () => {
  writeFileSync(path(FILES.kit), '__d(function(){},"kit",["now"],0,1);');
  await expect(orderFiles(folder, 'by')).rejects.toThrow('is not understood');
});
