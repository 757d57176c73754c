const { createHash } = require('node:crypto');
const { existsSync, readdirSync, readFileSync, statSync } = require('node:fs');
const path = require('node:path');
const { parse } = require('@babel/core');

const ROOT = path.join(__dirname, '..');
const vendor = (name) => path.join(__dirname, 'src/vendor', name);
/** Libraries of which a few functions are used: the file that picks them. */
const PICKED = {
  'simple-statistics': vendor('statistics.js'),
  'd3-array': vendor('arrays.js'),
  'd3-scale': vendor('scales.js'),
  'd3-shape': vendor('shapes.js'),
  uuid: vendor('ids.js'),
  '@date-fns/tz': vendor('zones.js'),
};
/** Where imports by the name of a package, or of the app, begin. */
const BEGINS = [
  [/^@\//, path.join(__dirname, 'src/')],
  [/^@tembrin\/(core|contract)(?:\/|$)/, (name) => path.join(ROOT, name, 'src/')],
];
const ENDS = ['', '.ts', '.tsx', '/index.ts', '/index.tsx', 'index.ts'];
const isFile = (file) => existsSync(file) && statSync(file).isFile();

/** The source file an import stands for; null where it is of another package. */
function fileOf(from, source) {
  if (Object.hasOwn(PICKED, source)) return PICKED[source];
  let base = source.startsWith('.') ? path.join(path.dirname(from), source) : null;
  for (const [pattern, folder] of BEGINS) {
    const found = pattern.exec(source);
    if (found) base = (typeof folder === 'string' ? folder : folder(found[1])) + source.slice(found[0].length);
  }
  if (base === null) return null;
  const end = ENDS.find((each) => isFile(base + each));
  return end === undefined ? null : base + end;
}

const nameOf = (node) => node.name ?? node.value;
const read = new Map();

/** What a file exports, and whether it does nothing but pass on. */
function exportsOf(file) {
  if (read.has(file)) return read.get(file);
  const { body } = parse(readFileSync(file, 'utf8'), {
    filename: file,
    babelrc: false,
    configFile: false,
    parserOpts: { sourceType: 'module', plugins: ['typescript', ...(file.endsWith('x') ? ['jsx'] : [])] },
  }).program;
  const told = { only: true, own: new Set(), passed: new Map(), all: [] };
  for (const node of body) {
    const from = node.source?.value;
    if (node.type === 'ExportAllDeclaration') told.all.push(from);
    else if (node.type === 'ExportNamedDeclaration' && from !== undefined)
      for (const each of node.specifiers)
        told.passed.set(nameOf(each.exported), { from, name: each.local && nameOf(each.local) });
    else {
      told.only = false;
      if (node.type === 'ExportDefaultDeclaration') told.own.add('default');
      if (node.type !== 'ExportNamedDeclaration') continue;
      for (const each of node.specifiers) told.own.add(nameOf(each.exported));
      for (const each of node.declaration?.declarations ?? [node.declaration])
        if (each?.id?.name) told.own.add(each.id.name);
    }
  }
  read.set(file, told);
  return told;
}

/** The file that defines what another exports, and its name there; null where that is not said in so many words. */
function originOf(file, name) {
  const told = exportsOf(file);
  if (told.own.has(name)) return { file, name };
  const passed = told.passed.get(name);
  const from = passed && fileOf(file, passed.from);
  if (passed) return from && passed.name ? originOf(from, passed.name) : null;
  for (const source of told.all) {
    const next = fileOf(file, source);
    const found = next && originOf(next, name);
    if (found) return found;
  }
  return null;
}

/**
 * Imports from a file that only passes on what others define are imports from those others: so a page brings what it uses, and not
 * all that anybody uses of the same folder.
 */
module.exports = ({ types }) => ({
  name: 'from-the-file',
  visitor: {
    ImportDeclaration(at, { filename }) {
      const { node } = at;
      if (node.importKind === 'type' || !filename || filename.includes('node_modules')) return;
      const file = fileOf(filename, node.source.value);
      if (file === null || !exportsOf(file).only) return;
      const kept = [];
      const moved = [];
      for (const each of node.specifiers) {
        const origin =
          each.type === 'ImportSpecifier' && each.importKind !== 'type' && originOf(file, nameOf(each.imported));
        if (!origin) kept.push(each);
        else {
          const relative = path.relative(path.dirname(filename), origin.file).replace(/\.(tsx?|js)$/, '');
          const source = relative.startsWith('.') ? relative : `./${relative}`;
          const specifier = types.importSpecifier(each.local, types.identifier(origin.name));
          moved.push(types.importDeclaration([specifier], types.stringLiteral(source)));
        }
      }
      if (moved.length === 0) return;
      if (kept.length > 0) moved.push(types.importDeclaration(kept, node.source));
      at.replaceWithMultiple(moved);
    },
  },
});

const EXPORT = /^export (?:default )?(?:async )?(?:const|function\*?|class|let|var|\*|\{[^}]*\})[^(=;]*/gm;

module.exports.PICKED = PICKED;
/** The files of source, each by its name. */
const sourceFiles = () =>
  ['core', 'contract', 'app'].flatMap((part) =>
    readdirSync(path.join(ROOT, part, 'src'), { recursive: true })
      .filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'))
      .sort()
      .map((name) => path.join(ROOT, part, 'src', name)),
  );
const textOf = (file) => readFileSync(file, 'utf8');

/** Which file exports what, in a few letters: where that changes, what was made of other files before holds no longer. */
module.exports.mark = () => {
  const hash = createHash('md5');
  for (const file of sourceFiles()) hash.update(path.relative(ROOT, file)).update(String(textOf(file).match(EXPORT)));
  return hash.digest('hex');
};
