const { getDefaultConfig } = require('expo/metro-config');
const { buildSync } = require('esbuild');
const path = require('node:path');
const fromTheFile = require('./from-the-file');

const config = getDefaultConfig(__dirname);
config.cacheVersion = fromTheFile.mark();
// What the first pass makes shorter lets the next make more so; letters beyond ASCII are written as they are, the page being UTF-8.
const { minifierConfig } = config.transformer;
config.transformer.minifierConfig = {
  ...minifierConfig,
  compress: { ...minifierConfig.compress, passes: 3 },
  output: { ...minifierConfig.output, ascii_only: false },
};

const vendor = (name) => path.join(__dirname, 'src/vendor', name);
const router = (...parts) => path.join('expo-router', 'build', ...parts);
const widgets = (...parts) => path.join('@rneui', 'base', 'dist', ...parts);
/** Cuts out of a library what is used of it: the bundler does not. @returns the file that has it */
function cutOut(name, used) {
  const outfile = vendor(path.join('made', `${path.basename(name)}.mjs`));
  const contents = `export { ${used.join(', ')} } from '${name}'`;
  const define = { 'import.meta.env': '{}' };
  buildSync({
    stdin: { contents, resolveDir: __dirname },
    bundle: true,
    format: 'esm',
    target: 'es2022',
    define,
    external: ['react'],
    outfile,
  });
  return outfile;
}
// Of the widgets: icons in fonts. Of the router: all that it draws by itself.
const LEFT_OUT = Object.entries({
  'icons.js': [path.join('lucide-react-native', 'dist', 'esm', 'createLucideIcon.mjs')],
  'icons-unused.js': [widgets('Icon', ''), widgets('helpers', 'getIconType')],
  'native-unused.js': [widgets('helpers', 'BackgroundImage')],
  'router-unused.js': [
    ...['Sitemap', 'Unmatched', 'RootUnmatched', 'EmptyRoute', 'Toast'].map((view) => router('views', view)),
    ...['LinkWithPreview', 'elements'].map((part) => router('link', part)),
    ...['TabRouter', 'DrawerRouter'].map((kind) => router('react-navigation', 'routers', kind)),
    ...['createStaticNavigation', 'NavigationContainer'].map((part) => router('react-navigation', 'native', part)),
    router('react-navigation', 'core', 'StaticNavigation'),
    router('fork', 'native-stack', ''),
    router('layouts', 'stack-utils', ''),
    router('native-tabs', ''),
    router('head', ''),
    router('navigationEvents', ''),
    router('hooks', 'useLoaderData'),
  ],
  'prefix.js': [path.join('react-native-web', 'dist', 'modules', 'prefixStyles', 'index.js')],
  'redirects-unused.js': [router('getRoutesRedirects')],
  'router-hooks.js': [router('hooks', 'index.js')],
  'router-parts.js': [router('react-navigation', 'native', 'index.js')],
  'expo-unused.js': [router('screensFeatureFlags'), router('domComponents', 'useDomComponentNavigation')],
  'locale-unused.js': ['match', 'formatDistance', 'formatRelative'].map((part) =>
    path.join('date-fns', 'locale', 'en-US', '_lib', `${part}.js`),
  ),
}).flatMap(([stub, parts]) => parts.map((part) => [part, vendor(stub)]));
// Of React Native for the web what is drawn with; nothing moves by its animations.
const DRAWN = new Set([
  ...['ActivityIndicator', 'Image', 'KeyboardAvoidingView', 'Modal', 'Pressable', 'ScrollView', 'Text', 'TextInput'],
  ...['Touchable', 'View', 'createElement', 'findNodeHandle', 'processColor', 'useColorScheme', 'useWindowDimensions'],
  ...['AppRegistry', 'AppState', 'Appearance', 'BackHandler', 'DeviceEventEmitter', 'Dimensions', 'I18nManager'],
  ...['Linking', 'NativeEventEmitter', 'NativeModules', 'PixelRatio', 'Platform', 'StyleSheet', 'UIManager'],
]);
const WIDGETS = path.join('react-native-web', 'dist', 'index.js');
// The platform's own parts, which a page in a browser does not have.
const PLATFORM = ['expo/dom', 'expo/dom/global', 'expo-constants', 'expo-linking', 'expo-modules-core'];
// Whole libraries of which a few functions are used: the bundler does not shake barrels.
const PICKED = {
  ...fromTheFile.PICKED,
  'expo-router': vendor('router.js'),
  expo: vendor('expo.js'),
  ...Object.fromEntries(PLATFORM.map((name) => [name, vendor('expo-unused.js')])),
  'react-native-svg': vendor('drawings.js'),
  'react-native-safe-area-context': vendor('safe-area.js'),
  'react-hook-form': cutOut('react-hook-form', ['Controller', 'useForm']),
  'zustand/middleware': cutOut('zustand/middleware', ['persist']),
  'query-string': vendor('query.js'),
  'hoist-non-react-statics': vendor('statics-unused.js'),
  'react-is': vendor('elements.js'),
  'react-native-screens': vendor('screens-unused.js'),
  color: vendor('colour-unused.js'),
  'd3-color': vendor('colours.js'),
  'd3-format': vendor('formats.js'),
};
const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  if (Object.hasOwn(PICKED, name)) return { type: 'sourceFile', filePath: PICKED[name] };
  const widget =
    /^react-native-web\/dist\/exports\/(\w+)$/.exec(name)?.[1] ??
    (context.originModulePath.endsWith(WIDGETS) && /^\.\/exports\/(\w+)$/.exec(name)?.[1]);
  if (widget && !DRAWN.has(widget))
    return { type: 'sourceFile', filePath: vendor(widget === 'Animated' ? 'still.js' : 'native-unused.js') };
  const resolved = (usual ?? context.resolveRequest)(context, name, platform);
  if (resolved.type !== 'sourceFile') return resolved;
  if (resolved.filePath.endsWith(WIDGETS) && context.originModulePath.includes(router('')))
    return { type: 'sourceFile', filePath: vendor('native.js') };
  const leftOut = LEFT_OUT.find(([part]) => resolved.filePath.includes(part));
  return leftOut ? { type: 'sourceFile', filePath: leftOut[1] } : resolved;
};

module.exports = config;
