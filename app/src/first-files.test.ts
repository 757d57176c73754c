import { mkdirSync, mkdtempSync, readdirSync, readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { runInNewContext } from 'node:vm';
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
};
const ROUTES = [
  ['./_layout.tsx', 11, FILES.root],
  ['./(shell)/_layout.tsx', 12, FILES.shell],
  ['./(shell)/now/index.tsx', 13, FILES.now],
  ['./index.tsx', 14, FILES.welcome],
  ['./kit.tsx', 15, FILES.kit],
  ['./lone.tsx', 16, FILES.lone],
] as const;

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

beforeEach(() => {
  folder = mkdtempSync(join(tmpdir(), 'tembrin-built-'));
  mkdirSync(join(folder, WEB), { recursive: true });
  const write = (name: string, ...modules: string[]) => writeFileSync(path(name), modules.join('\n'));
  write(FILES.index, list(), uses(2), uses(3, 20), '__r(3);', '__r(1);');
  write(FILES.common, uses(20), uses(21), uses(22, 23), uses(23), uses(24));
  write(FILES.root, uses(11));
  write(FILES.shell, uses(12));
  write(FILES.now, uses(13, 21));
  write(FILES.welcome, uses(14));
  write(FILES.kit, uses(15, 22));
  write(FILES.lone, uses(16, 20));
  const scripts = [FILES.common, FILES.index].map((name) => `<script src="/${WEB}/${name}" defer></script>`);
  writeFileSync(join(folder, 'index.html'), scripts.join(''));
});
afterEach(() => rmSync(folder, { recursive: true }));

/** Runs files as a browser would. @returns the modules that are there, those that ran, and what the build tells */
function run(...names: readonly string[]) {
  const modules = new Map<number, [(...parts: unknown[]) => void, unknown]>();
  const world = {
    ran: [] as number[],
    __d: (made: (...parts: unknown[]) => void, id: number, deps: unknown) => modules.set(id, [made, deps]),
    __r: (id: number): void => {
      const there = modules.get(id);
      if (!there) throw new Error(`no module ${id}`);
      there[0](world, world.__r, 0, 0, {}, {}, there[1]);
    },
    tembrinResting: undefined as unknown as { on: string; files: string[] },
  };
  for (const name of names)
    runInNewContext(readFileSync(path(name), 'utf8'), Object.assign(world, { globalThis: world }));
  return {
    there: [...modules.keys()].sort((a, b) => a - b),
    ran: world.ran,
    resting: world.tembrinResting,
    require: world.__r,
  };
}

test('before the stand comes what it runs, its routes among it; the rest of what is shared is put off', () => {
  orderFiles(folder);
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const first = Array.from(page.matchAll(/web\/([^"]+)"/g), ([, name]) => name!);
  const { there, ran, require } = run(...first);
  expect(there).toEqual([1, 2, 3, 11, 12, 13, 14, 20, 21]);
  expect(ran).toEqual([3, 20, 1]);
  // The stand's own route finds all it uses.
  require(13);
  expect(ran.slice(3)).toEqual([13, 21]);
});

test('a page that uses what was put off is told to rest on it, and no other', () => {
  orderFiles(folder);
  const [later] = named('later-');
  const { resting } = run(
    ...named('__common-'),
    ...built().filter((name) => readFileSync(path(name), 'utf8').includes('__r(3)')),
  );
  expect(resting).toEqual({ on: `/${WEB}/${later}`, files: ['7777'] });
  const { require, ran } = run(later!, FILES.kit);
  require(15);
  expect(ran).toEqual([15, 22, 23]);
});

test('the first files are named by what they hold now', () => {
  orderFiles(folder);
  expect(built()).not.toContain(FILES.index);
  expect(built()).not.toContain(FILES.common);
  expect(named('__common-')).toHaveLength(1);
});

test('a bundle that is written otherwise is no bundle', () => {
  writeFileSync(path(FILES.kit), '__d(function(){},"kit",["now"],0,1);');
  expect(() => orderFiles(folder)).toThrow('is not understood');
});
