import { createElement, type ComponentType, type ReactElement } from 'react';
import * as library from 'react-native-svg';
import { readdirSync, readFileSync } from 'node:fs';
import { join } from 'node:path';
import { mount } from '@/testing/mount';

/** What stands in the bundle for each library of which only some functions are loaded. */
const PICKED = {
  'simple-statistics': 'statistics.js',
  'd3-array': 'arrays.js',
  'd3-scale': 'scales.js',
  'd3-shape': 'shapes.js',
  'expo-router': 'router.js',
  'react-native-svg': 'drawings.js',
};
const ROOT = join(__dirname, '../../..');
const sources = ['core/src', 'contract/src', 'app/src'].flatMap((folder) =>
  readdirSync(join(ROOT, folder), { recursive: true, encoding: 'utf8' })
    .filter((name) => /\.tsx?$/.test(name) && !name.includes('.test.'))
    .map((name) => readFileSync(join(ROOT, folder, name), 'utf8')),
);

test.each(Object.entries(PICKED))('everything used of %s is among what is picked of it', (library, file) => {
  const picked = readFileSync(join(__dirname, file), 'utf8');
  const used = sources.flatMap((text) =>
    [...text.matchAll(/import (?:\w+, )?\{([^}]*)\} from '([^']+)'/g)].flatMap(([, names, from]) =>
      from === library ? names!.split(',').map((name) => name.trim().split(' as ')[0]!) : [],
    ),
  );
  expect(used.length).toBeGreaterThan(0);
  for (const name of used.filter((name) => !name.startsWith('type ')))
    expect(picked).toMatch(new RegExp(`^export (const ${name}\\b|\\{[^}]*\\b${name}\\b)`, 'm'));
});

/** What an element is in the page: each with its attributes in the order of their names. */
function drawnAs(element: ReactElement) {
  const page = mount(createElement('svg', null, element));
  const drawn = [...page.element.querySelectorAll('svg *')].map(({ tagName, attributes }) => [
    tagName,
    ...[...attributes].map(({ name, value }) => `${name}=${value}`).sort(),
  ]);
  page.remove();
  return drawn;
}

describe('drawings are drawn as their library draws them', () => {
  type Elements = Record<string, ComponentType<Record<string, unknown>>>;
  const ours = jest.requireActual<Elements>('./drawings');
  const theirs = library as unknown as Elements;
  const line = { stroke: '#221C18', strokeWidth: 1.5, strokeDasharray: '4 3', strokeLinecap: 'round' };

  test.each<[string, Record<string, unknown>]>([
    ['Circle', { cx: 1.25, cy: -3, r: 4, fill: 'none', ...line }],
    ['Defs', {}],
    ['Ellipse', { cx: 2, cy: 3, rx: 4, ry: 5, fill: '#9E2A2B' }],
    ['G', { fill: 'none', transform: 'translate(4 5) scale(-1 1)', ...line }],
    ['G', { transform: undefined }],
    ['Line', { x1: 0, x2: 4, y1: 1, y2: 2, ...line }],
    ['Path', { d: 'M0 0L4 4', strokeLinejoin: 'round', opacity: 0.5, vectorEffect: 'non-scaling-stroke', ...line }],
    ['Pattern', { id: 'specks', width: 6, height: 6, patternUnits: 'userSpaceOnUse' }],
    ['Rect', { x: 1, y: 2, width: 3, height: 4, rx: 1, fillOpacity: 0.4, transform: 'rotate(40 2 3)' }],
    ['Svg', { 'aria-hidden': true, width: '100%', height: 40, viewBox: '0 0 4 4', preserveAspectRatio: 'none' }],
    ['Svg', { role: 'img', 'aria-label': 'Violin: rosin', width: 40, style: { position: 'absolute', top: 0 } }],
    ['Svg', { width: 40, height: 40, pointerEvents: 'none' }],
    ['Text', { x: 1, y: 2, fill: '#221C18', textAnchor: 'end', fontSize: 12, fontFamily: 'Literata' }],
  ])('%s %j', (name, props) => {
    const drawn = (elements: Elements) => drawnAs(createElement(elements[name]!, props));
    expect(drawn(ours)).toEqual(drawn(theirs));
    expect(drawn(ours)).toHaveLength(1);
  });

  test('a shape can be pressed', () => {
    const onPress = jest.fn();
    const page = mount(createElement('svg', null, createElement(ours['Path']!, { d: 'M0 0', onPress })));
    page.element.querySelector('path')!.dispatchEvent(new MouseEvent('click', { bubbles: true }));
    expect(onPress).toHaveBeenCalledTimes(1);
    page.remove();
  });

  test('an icon has the size, the colour and the lines it has by its own library', () => {
    const createIcon = jest.requireActual<{ default: (icon: unknown) => Elements[string] }>('./icons').default;
    type Icon = { __iconData: unknown; default: Elements[string] };
    const { __iconData, default: theirIcon } = jest.requireActual<Icon>('lucide-react-native/icons/hand');
    const props = ['fill', 'stroke', 'stroke-width', 'stroke-linecap', 'stroke-linejoin'];
    const lines = (icon: Elements[string]) => {
      const page = mount(createElement(icon, { size: 22, color: '#221C18', 'aria-hidden': true }));
      const svg = page.element.querySelector('svg')!;
      const drawn = [...svg.querySelectorAll('*')].map((each) => [
        each.tagName,
        each.getAttribute('d'),
        ...props.map((name) => each.closest(`[${name}]`)!.getAttribute(name)),
      ]);
      const box = ['width', 'height', 'viewBox', 'aria-hidden'].map((name) => svg.getAttribute(name));
      page.remove();
      return { box, drawn };
    };
    expect(lines(createIcon(__iconData))).toEqual(lines(theirIcon));
    expect(lines(theirIcon).drawn).toHaveLength(4);
  });
});
