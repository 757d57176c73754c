import { brotliCompressSync, constants, gzipSync } from 'node:zlib';
import { existsSync, mkdirSync, readdirSync, readFileSync, renameSync, rmSync, statSync, writeFileSync } from 'node:fs';
import { createHash } from 'node:crypto';
import { join, relative } from 'node:path';
import { fileURLToPath } from 'node:url';
import { orderFiles } from './lib/first-files.mjs';
import { shortenWhole } from './lib/shorten.mjs';
import { ensurePackages, fingerprint, ROOT, run } from './lib/project.mjs';

export const DIST = join(ROOT, 'app/dist');
/** The build before: a page that is open still asks for its files. */
export const DIST_BEFORE = join(ROOT, '.build/web-before');
const FONTS = join(ROOT, 'app/public/fonts');
/** What writes the built files in another way than the bundler. */
const WRITERS = ['scripts/lib/first-files.mjs', 'scripts/lib/shorten.mjs', 'node_modules/terser/package.json'];
const INPUTS = ['app', 'core', 'contract', 'package-lock.json', 'scripts/build.mjs', ...WRITERS];
/** What the app needs to open without a connection. */
const KEPT = /\.(js|css|html|svg|woff2|webmanifest)$|^\/icons\//;
const NAMED_BY_CONTENT = /[.-][0-9a-f]{32}\./;
const COMPRESSIBLE = /\.(js|css|html|json|svg|ttf|ico|map|webmanifest)$/;

/** Faces the app uses, cut to the letters of Latin-script languages and packed as WOFF2. */
const FACES = [
  ['literata', '500Medium', 'Literata_500Medium'],
  ['atkinson-hyperlegible-next', '400Regular', 'AtkinsonHyperlegibleNext_400Regular'],
  ['atkinson-hyperlegible-next', '600SemiBold', 'AtkinsonHyperlegibleNext_600SemiBold'],
];
const LETTERS = [
  [0x20, 0x7e],
  [0xa0, 0x17f],
  [0x218, 0x21b],
  [0x2010, 0x2027],
  [0x2030, 0x203a],
  [0x2190, 0x2193],
  [0x2212, 0x2212],
  [0x2248, 0x2265],
  [0x20ac, 0x20ac],
  [0x266d, 0x266f],
];

/** Makes the font files from the packages they ship in. */
export async function makeFonts() {
  const { default: subsetFont } = await import('subset-font');
  const letters = LETTERS.flatMap(([from, to]) =>
    Array.from({ length: to - from + 1 }, (_, at) => String.fromCodePoint(from + at)),
  ).join('');
  mkdirSync(FONTS, { recursive: true });
  for (const [family, weight, face] of FACES) {
    const target = join(FONTS, `${face}.woff2`);
    if (existsSync(target)) continue;
    const source = readFileSync(join(ROOT, `node_modules/@expo-google-fonts/${family}/${weight}/${face}.ttf`));
    writeFileSync(target, await subsetFont(source, letters, { targetFormat: 'woff2' }));
  }
}

function* filesIn(folder) {
  for (const name of readdirSync(folder)) {
    const path = join(folder, name);
    if (statSync(path).isDirectory()) yield* filesIn(path);
    else yield path;
  }
}

/** Files the service worker keeps; those not named by their content carry a revision. */
function manifestOf(folder) {
  return [...filesIn(folder)]
    .map((file) => ({ file, url: `/${relative(folder, file)}` }))
    .filter(({ url }) => KEPT.test(url))
    .sort((a, b) => (a.url < b.url ? -1 : 1))
    .map(({ file, url }) => ({
      url,
      revision: NAMED_BY_CONTENT.test(url) ? null : createHash('sha256').update(readFileSync(file)).digest('hex'),
    }));
}

/** Workers of the app; each becomes one file by its name, `/assess.js`. */
export const WORKERS = ['assess', 'pitch', 'vision'];

/** Bundles the workers: each only what it uses. */
async function makeWorkers(folder) {
  const { build: bundle } = await import('esbuild');
  await bundle({
    entryPoints: WORKERS.map((name) => ({ in: join(ROOT, `app/src/workers/${name}.worker.ts`), out: name })),
    outdir: folder,
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
  });
  for (const name of WORKERS) {
    const file = join(folder, `${name}.js`);
    writeFileSync(file, await shortenWhole(readFileSync(file, 'utf8')));
  }
}

/** Bundles what runs before the app, named by its content, and has the page ask for it by that name. */
async function makeOpening(folder) {
  const { build: bundle } = await import('esbuild');
  const options = { bundle: true, minify: true, format: 'iife', target: 'es2022', write: false };
  const { outputFiles } = await bundle({ ...options, entryPoints: [join(ROOT, 'app/src/opening/opening.ts')] });
  const { contents } = outputFiles[0];
  const name = `_expo/static/js/web/opening-${createHash('md5').update(contents).digest('hex')}.js`;
  writeFileSync(join(folder, name), contents);
  const page = join(folder, 'index.html');
  writeFileSync(page, readFileSync(page, 'utf8').replace('"/opening.js"', `"/${name}"`));
}

/** Bundles the service worker with the list of files it keeps. */
export async function makeServiceWorker(folder) {
  const { build: bundle } = await import('esbuild');
  await bundle({
    entryPoints: [join(ROOT, 'app/worker/sw.ts')],
    outfile: join(folder, 'sw.js'),
    bundle: true,
    minify: true,
    format: 'iife',
    target: 'es2022',
    define: {
      'self.__WB_MANIFEST': JSON.stringify(manifestOf(folder)),
      'process.env.NODE_ENV': '"production"',
    },
  });
}

function precompress(folder) {
  for (const file of [...filesIn(folder)]) {
    if (!COMPRESSIBLE.test(file)) continue;
    const content = readFileSync(file);
    const params = { [constants.BROTLI_PARAM_QUALITY]: 11, [constants.BROTLI_PARAM_SIZE_HINT]: content.length };
    writeFileSync(`${file}.br`, brotliCompressSync(content, { params }));
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }));
  }
}

/** Builds the web app into app/dist unless what is there was made from the same sources. */
export async function build() {
  await makeFonts();
  const mark = join(ROOT, '.build/web');
  if (existsSync(DIST) && existsSync(mark) && readFileSync(mark, 'utf8') === fingerprint(INPUTS)) return DIST;
  console.log('Building the app …');
  // A build that was broken off is none to keep.
  if (existsSync(DIST) && existsSync(mark)) {
    rmSync(DIST_BEFORE, { recursive: true, force: true });
    renameSync(DIST, DIST_BEFORE);
  }
  rmSync(mark, { force: true });
  rmSync(DIST, { recursive: true, force: true });
  const env = {
    ...process.env,
    EXPO_OFFLINE: '1',
    CI: '1',
    EXPO_NO_TELEMETRY: '1',
    NODE_ENV: 'production',
    // Exports that nobody imports are left out.
    EXPO_UNSTABLE_METRO_OPTIMIZE_GRAPH: '1',
    EXPO_UNSTABLE_TREE_SHAKING: '1',
  };
  run(
    process.execPath,
    [join(ROOT, 'node_modules/expo/bin/cli'), 'export', '--platform', 'web', '--output-dir', 'dist'],
    { cwd: join(ROOT, 'app'), env, stdio: ['ignore', 'ignore', 'inherit'] },
  );
  await orderFiles(DIST, fingerprint(WRITERS));
  await makeOpening(DIST);
  await makeWorkers(DIST);
  await makeServiceWorker(DIST);
  precompress(DIST);
  mkdirSync(join(ROOT, '.build'), { recursive: true });
  // Taken afterwards: the build writes type declarations beside the sources.
  writeFileSync(mark, fingerprint(INPUTS));
  return DIST;
}

if (process.argv[1] === fileURLToPath(import.meta.url)) {
  ensurePackages();
  await build();
}
