const { getDefaultConfig } = require('expo/metro-config');
const path = require('node:path');

const config = getDefaultConfig(__dirname);

const vendor = (name) => path.join(__dirname, 'src/vendor', name);
const svg = (...parts) => path.join('react-native-svg', 'lib', 'module', ...parts);
const zod = (...parts) => path.join('zod', 'v4', ...parts);
const web = (...parts) => path.join('react-native-web', 'dist', 'vendor', 'react-native', ...parts);
const router = (...parts) => path.join('expo-router', 'build', ...parts);
// Of Zod: its sentences in forty languages, where only English is used, and what turns schemas into something else. Of the
// drawings: what reads them from text. Of the widgets: long lists, which the app has none of, and icons in fonts. Of the router: all that it
// draws by itself.
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
  [router('views', 'Sitemap'), vendor('router-unused.js')],
  [router('views', 'Unmatched'), vendor('router-unused.js')],
  [router('views', 'RootUnmatched'), vendor('router-unused.js')],
  [router('views', 'EmptyRoute'), vendor('router-unused.js')],
  [router('views', 'Toast'), vendor('router-unused.js')],
  [router('fork', 'native-stack', ''), vendor('router-unused.js')],
  [router('layouts', 'stack-utils', ''), vendor('router-unused.js')],
  [router('native-tabs', ''), vendor('router-unused.js')],
  [router('react-navigation', 'core', 'StaticNavigation'), vendor('router-unused.js')],
  [router('react-navigation', 'native', 'createStaticNavigation'), vendor('router-unused.js')],
  [router('react-navigation', 'native', 'NavigationContainer'), vendor('router-unused.js')],
  [router('react-navigation', 'routers', 'TabRouter'), vendor('router-unused.js')],
  [router('react-navigation', 'routers', 'DrawerRouter'), vendor('router-unused.js')],
  [router('head', ''), vendor('router-unused.js')],
  [router('link', 'LinkWithPreview'), vendor('router-unused.js')],
  [router('link', 'elements'), vendor('router-unused.js')],
  [path.join('@rneui', 'base', 'dist', 'Icon', ''), vendor('icons-unused.js')],
  [path.join('@rneui', 'base', 'dist', 'helpers', 'getIconType'), vendor('icons-unused.js')],
];
// Of React Native for the web what is drawn with; nothing moves by its animations.
const DRAWN = new Set(
  'ActivityIndicator AppRegistry AppState Appearance BackHandler DeviceEventEmitter Dimensions I18nManager Image KeyboardAvoidingView Linking Modal NativeEventEmitter NativeModules PixelRatio Platform Pressable ScrollView StyleSheet Text TextInput Touchable UIManager View createElement findNodeHandle processColor useColorScheme useWindowDimensions'.split(
    ' ',
  ),
);
const WIDGETS = path.join('react-native-web', 'dist', 'index.js');
// Whole libraries of which a few functions are used: the bundler does not shake barrels.
const PICKED = {
  'expo-router': vendor('router.js'),
  'react-native-screens': vendor('screens-unused.js'),
  color: vendor('colour-unused.js'),
  'simple-statistics': vendor('statistics.js'),
  'd3-array': vendor('arrays.js'),
  'd3-scale': vendor('scales.js'),
  'd3-shape': vendor('shapes.js'),
  'd3-color': vendor('colours.js'),
  'd3-format': vendor('formats.js'),
};
const usual = config.resolver.resolveRequest;
config.resolver.resolveRequest = (context, name, platform) => {
  // Schemas are noted, and built when they are asked by the library, which one file loads.
  if (name === 'zod' && !context.originModulePath.endsWith('zod-real.js'))
    return { type: 'sourceFile', filePath: vendor('zod-later.js') };
  if (Object.hasOwn(PICKED, name)) return { type: 'sourceFile', filePath: PICKED[name] };
  const widget =
    /^react-native-web\/dist\/exports\/(\w+)$/.exec(name)?.[1] ??
    (context.originModulePath.endsWith(WIDGETS) && /^\.\/exports\/(\w+)$/.exec(name)?.[1]);
  if (widget && !DRAWN.has(widget))
    return { type: 'sourceFile', filePath: vendor(widget === 'Animated' ? 'still.js' : 'native-unused.js') };
  const resolved = (usual ?? context.resolveRequest)(context, name, platform);
  if (resolved.type !== 'sourceFile') return resolved;
  const leftOut = LEFT_OUT.find(([part]) => resolved.filePath.includes(part));
  return leftOut ? { type: 'sourceFile', filePath: leftOut[1] } : resolved;
};

module.exports = config;
