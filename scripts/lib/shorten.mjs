/** The same programs in fewer letters. The library is loaded when it is used: before, packages may not be installed yet. */
async function minified(text, options) {
  const { minify } = await import('terser');
  const { code } = await minify(text, options);
  return code;
}

/** What a module gives as the bundler writes it, each told by itself; and that it is one of the language's own kind. */
const given = (exports, name, value) =>
  `Object\\.defineProperty\\(${exports},["']${name}["'],\\{enumerable:!0,get:function\\(\\)\\{return ${value}\\}\\}\\)`;
const GIVEN = new RegExp(given('\\w+', '([\\w$]+)', '([\\w$.]+)'), 'g');
const ALL_GIVEN = new RegExp(
  `${given('(\\w+)', '[\\w$]+', '[\\w$.]+')}(?:,${given('\\1', '[\\w$]+', '[\\w$.]+')})*`,
  'g',
);
const MARKED = /Object\.defineProperty\((\w+),'__esModule',\{value:!0\}\)/g;

/** What stands before everything that was shortened here. */
export const AHEAD =
  'function tembrinGives(e,o){for(const n in o)Object.defineProperty(e,n,{enumerable:!0,get:o[n]})}' +
  'function tembrinMarks(e){Object.defineProperty(e,"__esModule",{value:!0})}';

/**
 * Shortens a file of the bundler, which shortened each of its modules by itself: names that are chosen over a whole file are more alike,
 * so that it packs better by a thirtieth.
 */
export async function shorten(text) {
  const told = text
    .replaceAll(ALL_GIVEN, (all, exports) => {
      const each = Array.from(all.matchAll(GIVEN), ([, name, value]) => `${name}:()=>${value}`);
      return `tembrinGives(${exports},{${each.join(',')}})`;
    })
    .replaceAll(MARKED, 'tembrinMarks($1)');
  return minified(told, { compress: false, mangle: true });
}

/** Shortens a program that another bundler made and did not try as hard. */
export function shortenWhole(text) {
  return minified(text, { compress: { passes: 2, ecma: 2020 }, mangle: true, ecma: 2020 });
}
