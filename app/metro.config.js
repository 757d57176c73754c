const { getDefaultConfig } = require('expo/metro-config');
const path = require('node:path');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// Zod's sentences in forty languages: only English is used, and every one of ours is written by hand.
const locales = path.join('zod', 'v4', 'locales', 'index');
const english = path.join(__dirname, 'src/vendor/zod-locales.js');
// Whole libraries of which a few functions are used: the bundler does not shake barrels.
const PICKED = {
  'simple-statistics': path.join(__dirname, 'src/vendor/statistics.js'),
  'd3-array': path.join(__dirname, 'src/vendor/arrays.js'),
  'd3-scale': path.join(__dirname, 'src/vendor/scales.js'),
  'd3-shape': path.join(__dirname, 'src/vendor/shapes.js'),
};
const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (Object.hasOwn(PICKED, name)) return { type: 'sourceFile', filePath: PICKED[name] };
  const resolved = (usual ?? context.resolveRequest)(context, name, platform);
  return resolved.type === 'sourceFile' && resolved.filePath.includes(locales)
    ? { type: 'sourceFile', filePath: english }
    : resolved;
};

module.exports = config;
