import type { ReactNode } from 'react';
import { mount } from '@/testing/mount';
import { Banner } from './Banner';
import { Button } from './Button';
import { Choice, Choices } from './Choice';
import { Field } from './Field';
import { Plate } from './Plate';
import { Figures } from './Figures';
import { MeasureChart } from './MeasureChart';
import { StateMark } from './StateMark';
import { Thread } from './Thread';
import { Text } from './Text';
import { FAMILIES, usualFacts } from '@tembrin/core/instruments';
import type { ThreadState } from '@tembrin/core/parts';

const mounted: (() => void)[] = [];
afterEach(() => mounted.splice(0).forEach((remove) => remove()));

/** What a browser is given, to ask questions of. */
function page(node: ReactNode): HTMLElement {
  const { element, remove } = mount(node);
  mounted.push(remove);
  return element;
}

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const day = (text: string) => Date.parse(`${text}T12:00:00.000Z`);
const moment = { nowMs: NOW, timeZone: 'Europe/Lisbon' };

describe('the thread in words', () => {
  const label = (from: number | null, window: [string, string, string] | null, state: ThreadState) => {
    const span = window && { early: day(window[0]), middle: day(window[1]), late: day(window[2]) };
    const drawing = page(<Thread label="Strings" from={from} window={span} state={state} {...moment} />).querySelector(
      '[role=img]',
    );
    return drawing?.getAttribute('aria-label');
  };

  test('says what it is of, its state, its beginning and its window', () => {
    expect(label(day('2026-02-01'), ['2026-09-01', '2026-11-01', '2027-02-01'], 'well')).toBe(
      'Strings, Well, since 1 Feb, window 1 Sept to 1 Feb 2027',
    );
  });

  test('says what is not known, and when nothing is due', () => {
    expect(label(null, null, 'unknown')).toBe('Strings, Not known, start not known, nothing due');
    expect(label(day('2026-05-31'), null, 'well')).toMatch(/nothing due$/);
  });
});

test.each([
  ['well', 'Well', 'circle'],
  ['soon', 'Soon', 'path'],
  ['now', 'Now', 'path'],
  ['unknown', 'Not known', 'circle'],
] as const)('the state %s is a word and a shape, not colour alone', (state, word, shape) => {
  const mark = page(<StateMark state={state} />);
  expect(mark.textContent).toBe(word);
  expect(mark.querySelectorAll(`svg ${shape}`)).toHaveLength(1);
});

test('each state has a shape of its own', () => {
  const shapes = (['well', 'soon', 'now', 'unknown'] as const).map((state) =>
    page(<StateMark state={state} />)
      .querySelector('svg')!
      .innerHTML.replaceAll(/(stroke|fill)="#\w+"/g, ''),
  );
  expect(new Set(shapes).size).toBe(4);
});

test('every family is drawn, with its bow where it has one and its zone lit when asked', () => {
  for (const family of FAMILIES) {
    const subject = usualFacts(family);
    const paths = (node: ReactNode) => page(node).querySelectorAll('path').length;
    const plain = paths(<Plate subject={subject} height={200} />);
    expect(plain).toBeGreaterThan(8);
    const bowed = family !== 'guitar' && family !== 'harp';
    expect(paths(<Plate subject={subject} height={200} withBow />) > plain).toBe(bowed);
    expect(paths(<Plate subject={subject} height={200} lit="hand-zones" />)).toBeGreaterThan(plain);
  }
});

test('a plate is decoration unless it is told what it shows', () => {
  const subject = usualFacts('violin');
  expect(
    page(<Plate subject={subject} height={200} />)
      .querySelector('svg')!
      .getAttribute('aria-hidden'),
  ).toBe('true');
  const told = page(<Plate subject={subject} height={200} label="Wipe the strings" />).querySelector('svg')!;
  expect(told.getAttribute('aria-label')).toBe('Violin: Wipe the strings');
});

test('figures are a table with a header to each row', () => {
  const table = page(
    <Figures
      rows={[
        ['Wear', '0.79'],
        ['Age', '236 days'],
      ]}
    />,
  );
  expect([...table.querySelectorAll('[role=row]')].map((row) => row.textContent)).toEqual(['Wear0.79', 'Age236 days']);
  expect(table.querySelectorAll('[role=rowheader]')).toHaveLength(2);
});

test('headings have their level, buttons their key, and a disabled button says so', () => {
  expect(page(<Text level={2}>Rule</Text>).querySelector('h2, [role=heading][aria-level="2"]')?.textContent).toBe(
    'Rule',
  );
  const button = page(<Button title="Start playing" hotkey="s" disabled onPress={() => undefined} />).querySelector(
    'button',
  )!;
  expect(button.textContent).toBe('Start playing');
  expect(button.getAttribute('aria-keyshortcuts')).toBe('s');
  expect(button.disabled || button.getAttribute('aria-disabled') === 'true').toBe(true);
});

test('a field is tied to what is wrong with it', () => {
  const field = page(<Field label="Email" value="ines" error="Enter an email address like name@example.org." />);
  const input = field.querySelector('input')!;
  expect(input.getAttribute('aria-label')).toBe('Email');
  expect(input.getAttribute('aria-invalid')).toBe('true');
  expect(field.querySelector(`[id="${input.getAttribute('aria-describedby')}"]`)?.textContent).toMatch(
    /Enter an email/,
  );
  const fine = page(<Field label="Email" value="ines@example.org" />).querySelector('input')!;
  expect(fine.getAttribute('aria-describedby')).toBeNull();
});

test('one of a few is a radio group, any of a few are checkboxes, and what is chosen is checked', () => {
  const options = [
    { value: 'A', title: 'Two cloths' },
    { value: 'B', title: 'One cloth' },
  ];
  const one = page(<Choice label="Cloths" options={options} value="B" onChange={() => undefined} />);
  expect(one.querySelector('[role=radiogroup]')?.getAttribute('aria-label')).toBe('Cloths');
  expect([...one.querySelectorAll('[role=radio]')].map((radio) => radio.getAttribute('aria-checked'))).toEqual([
    'false',
    'true',
  ]);
  const any = page(<Choices label="Strings" options={options} values={['A', 'B']} onChange={() => undefined} />);
  expect(any.querySelectorAll('[role=checkbox][aria-checked=true]')).toHaveLength(2);
});

test('a banner is announced', () => {
  expect(page(<Banner tone="now" text="Not stored." />).querySelector('[role=alert]')?.textContent).toBe('Not stored.');
});

test('a measure over time is a line with a word for every point', () => {
  const marks = [
    { at: day('2026-01-05'), value: 22 },
    { at: day('2026-03-05'), value: 24 },
    { at: day('2026-05-05'), value: 24 },
  ];
  const chart = page(<MeasureChart figure="rest-left" marks={marks} {...moment} />).querySelector('[role=img]')!;
  expect(chart.getAttribute('aria-label')).toBe('5 Jan 22 mm, 5 Mar 24 mm, 5 May 24 mm');
  expect(chart.querySelectorAll('circle')).toHaveLength(3);
  const heights = [...chart.querySelectorAll('circle')].map((circle) => Number(circle.getAttribute('cy')));
  expect(heights[0]).toBeGreaterThan(heights[1]!);
  expect(heights[1]).toBe(heights[2]);
});

test('residue is drawn on its zones by density', () => {
  const violin = usualFacts('violin');
  const plate = page(
    <Plate subject={violin} height={300} marks={{ 'rosin-zones': 'caked', strings: 'fresh' }} label="residue" />,
  );
  const fills = [...plate.querySelectorAll('path')].map((path) => path.getAttribute('fill') ?? '');
  expect(fills.filter((fill) => /url\(#.*-caked\)/.test(fill)).length).toBeGreaterThan(0);
  const dots = (state: string) => plate.querySelectorAll(`pattern[id$="-${state}"] circle`).length;
  const tile = (state: string) => Number(plate.querySelector(`pattern[id$="-${state}"]`)!.getAttribute('width'));
  const density = (state: string) => dots(state) / tile(state) ** 2;
  expect(density('fresh')).toBeLessThan(density('settling'));
  expect(density('settling')).toBeLessThan(density('caked'));
});
