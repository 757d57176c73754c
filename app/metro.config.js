const { getDefaultConfig } = require('expo/metro-config');
const path = require('node:path');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

const vendor = (name) => path.join(__dirname, 'src/vendor', name);
const svg = (...parts) => path.join('react-native-svg', 'lib', 'module', ...parts);
const zod = (...parts) => path.join('zod', 'v4', ...parts);
const web = (...parts) => path.join('react-native-web', 'dist', 'vendor', 'react-native', ...parts);
const router = (...parts) => path.join('expo-router', 'build', ...parts);
// Of Zod: its sentences in forty languages, where only English is used, and what turns schemas into something else. Of the
// drawings: what reads them from text. Of the widgets: long lists, which the app has none of. Of the router: its own list of pages,
// and a header's field to search by.
const LEFT_OUT = [
  [zod('locales', 'index'), vendor('zod-locales.js')],
  [zod('core', 'compile'), vendor('zod-unused.js')],
  [zod('core', 'to-json-schema'), vendor('zod-unused.js')],
  [zod('core', 'json-schema-'), vendor('zod-unused.js')],
  [zod('classic', 'from-json-schema'), vendor('zod-unused.js')],
  [svg('xml.js'), vendor('svg-unused.js')],
  [svg('deprecated.js'), vendor('svg-unused.js')],
  [svg('utils', 'fetchData'), vendor('svg-unused.js')],
  [web('FlatList', ''), vendor('lists-unused.js')],
  [web('SectionList', ''), vendor('lists-unused.js')],
  [web('VirtualizedList', ''), vendor('lists-unused.js')],
  [web('VirtualizedSectionList', ''), vendor('lists-unused.js')],
  [router('views', 'Sitemap'), vendor('pages-unused.js')],
  [router('react-navigation', 'elements', 'Header', 'HeaderSearchBar'), vendor('pages-unused.js')],
];
// Whole libraries of which a few functions are used: the bundler does not shake barrels.
const PICKED = {
  'simple-statistics': vendor('statistics.js'),
  'd3-array': vendor('arrays.js'),
  'd3-scale': vendor('scales.js'),
  'd3-shape': vendor('shapes.js'),
  'd3-color': vendor('colours.js'),
  'd3-format': vendor('formats.js'),
};
const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (Object.hasOwn(PICKED, name)) return { type: 'sourceFile', filePath: PICKED[name] };
  const resolved = (usual ?? context.resolveRequest)(context, name, platform);
  if (resolved.type !== 'sourceFile') return resolved;
  const leftOut = LEFT_OUT.find(([part]) => resolved.filePath.includes(part));
  return leftOut ? { type: 'sourceFile', filePath: leftOut[1] } : resolved;
};

module.exports = config;
