const { getDefaultConfig } = require('expo/metro-config');
const path = require('node:path');

const config = getDefaultConfig(__dirname);
config.resolver.assetExts.push('woff2');

// Zod's sentences in forty languages: only English is used, and every one of ours is written by hand.
const locales = path.join('zod', 'v4', 'locales', 'index');
const english = path.join(__dirname, 'src/vendor/zod-locales.js');
// A whole library of statistics, of which three functions are used.
const statistics = path.join(__dirname, 'src/vendor/statistics.js');
const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (name === 'simple-statistics') return { type: 'sourceFile', filePath: statistics };
  const resolved = (usual ?? context.resolveRequest)(context, name, platform);
  return resolved.type === 'sourceFile' && resolved.filePath.includes(locales)
    ? { type: 'sourceFile', filePath: english }
    : resolved;
};

module.exports = config;
