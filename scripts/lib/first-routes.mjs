import { readFileSync, writeFileSync } from 'node:fs';
import { join } from 'node:path';

/** Routes that stand in the first file: each would be asked for only once the one before it had run. */
const FIRST = ['./_layout.tsx', './(shell)/_layout.tsx', './(shell)/now/index.tsx', './index.tsx'];

/** The file of a route, by the list of routes in the first file. @throws where the list is written in another way */
function fileOf(text, route) {
  const at = text.indexOf(`${JSON.stringify(route)}:{enumerable:!0,get`);
  const place = /\(d\[(\d+)\],d\.paths\)/.exec(text.slice(Math.max(at, 0)))?.[1];
  // What follows the list says which module stands at each place of it, and where it is.
  const map = text.indexOf('"paths":{', at);
  const end = text.indexOf('}}', map);
  if (at < 0 || place === undefined || map < 0) throw new Error(`The built app does not tell where ${route} is.`);
  const places = JSON.parse(text.slice(text.lastIndexOf(',{"0":', map) + 1, end + 2));
  const path = places.paths[places[place]];
  if (path === undefined) throw new Error(`The built app has no file for ${route}.`);
  return path;
}

/**
 * Puts the stand's own routes, and the welcome's, into the first file of the built app. They stay where they were too: who asks for
 * them finds them run.
 * @returns paths of the files that were put in
 */
export function putFirst(folder) {
  const page = readFileSync(join(folder, 'index.html'), 'utf8');
  const first = /<script src="(\/[^"]+\/index-[0-9a-f]{32}\.js)"/.exec(page)[1];
  const text = readFileSync(join(folder, first), 'utf8');
  const files = FIRST.map((route) => fileOf(text, route));
  writeFileSync(
    join(folder, first),
    [...files.map((file) => readFileSync(join(folder, file), 'utf8')), text].join('\n'),
  );
  return files;
}
