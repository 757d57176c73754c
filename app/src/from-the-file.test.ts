import { transformSync } from '@babel/core';
import { join } from 'node:path';
import fromTheFile from '../from-the-file';

const PLUGINS = [fromTheFile];
const PRESETS = [['@babel/preset-typescript', { onlyRemoveTypeImports: true }]];
/** What imports of a file of the app's sources become. */
const imported = (code: string) =>
  transformSync(code, {
    filename: join(__dirname, 'state/somewhere.ts'),
    configFile: false,
    babelrc: false,
    presets: PRESETS,
    plugins: PLUGINS,
  })!.code!.split('\n');

test('a name that an index passes on comes from the file that defines it', () => {
  expect(imported("import { DAY_MS, localDay as dayOf } from '@tembrin/core/time';")).toEqual([
    'import { DAY_MS } from "../../../core/src/time/units";',
    'import { localDay as dayOf } from "../../../core/src/time/zone";',
  ]);
  // Through an index of indexes too.
  expect(imported("import { foldLog } from '@tembrin/core';")).toEqual([
    'import { foldLog } from "../../../core/src/log/fold";',
  ]);
});

test('what is not passed on stays as it is written', () => {
  for (const line of [
    // It defines something itself.
    'import { useLog } from "./log";',
    'import { useState } from "react";',
    // Of everything nothing can be left out.
    'import * as time from "@tembrin/core/time";',
    'import { nobody } from "@tembrin/core/time";',
  ])
    expect(imported(line)).toEqual([line]);
  expect(imported("import type { LocalDay } from '@tembrin/core/time';")).toEqual(['export {};']);
});

test('of a library of which a few functions are picked, the one in use comes', () => {
  expect(imported("import { mean as average } from 'd3-array';")).toEqual([
    'import { default as average } from "../../../node_modules/d3-array/src/mean";',
  ]);
});

test('which file exports what has a mark of its own', () => {
  expect(fromTheFile.mark()).toMatch(/^[0-9a-f]{32}$/);
  expect(fromTheFile.mark()).toBe(fromTheFile.mark());
});
