import { act, useState } from 'react';
import { mount } from '@/testing/mount';
import { notify, useNotice } from '@/state/notice';
import { bowedPlates, bowPlate, MEASURES } from './plate/bowed';
import { guitarPlate } from './plate/guitar';
import { harpPlate } from './plate/harp';
import type { PlateData } from './plate/shapes';
import { listenForKeys, useKeys } from './keys';
import { DAY, NIGHT, type Palette } from './theme/palette';
import { CLOSING_STEPS, OPENING_STEPS, PACKING_STEPS } from '@tembrin/core/routines';
import { FAMILIES, isBowed } from '@tembrin/core/instruments';

const plates: Record<(typeof FAMILIES)[number], PlateData> = {
  violin: bowedPlates.violin(true),
  viola: bowedPlates.viola(true),
  cello: bowedPlates.cello(),
  bass: bowedPlates.bass(),
  guitar: guitarPlate('steel'),
  harp: harpPlate(false),
};

test.each(FAMILIES)('every zone a round of a %s speaks of is drawn on its plate or its bow', (family) => {
  const zones = { ...plates[family].zones, ...(isBowed(family) && bowPlate(500).zones) };
  for (const step of [...CLOSING_STEPS, ...OPENING_STEPS, ...PACKING_STEPS]) {
    if (step.for?.families && !step.for.families.includes(family)) continue;
    expect([step.id, step.zone, (zones[step.zone] ?? []).length > 0]).toEqual([step.id, step.zone, true]);
  }
});

test('every path of every plate is made of numbers and commands only', () => {
  const others = [
    guitarPlate('classical'),
    guitarPlate('electric'),
    guitarPlate('bass-guitar', 4),
    guitarPlate('steel', 12),
  ];
  for (const { shapes, zones } of [...Object.values(plates), bowPlate(500), ...others, harpPlate(true)]) {
    for (const { d } of [...shapes, ...Object.values(zones).flat()]) expect(d).toMatch(/^M[-\d.\sMmLlHhVvCcAaZz]+$/);
  }
});

/** Points along a path of straight lines and cubic curves. */
function pointsOf(d: string): [x: number, y: number][] {
  const points: [number, number][] = [];
  let at: [number, number] = [0, 0];
  for (const [, command, rest] of d.matchAll(/([MLC])([^MLC]+)/g)) {
    const numbers = rest!.trim().split(/\s+/).map(Number);
    const end: [number, number] = [numbers.at(-2)!, numbers.at(-1)!];
    if (command === 'C') {
      const [x1, y1, x2, y2] = numbers as [number, number, number, number];
      for (let t = 0; t < 1; t += 0.02) {
        const mix = (a: number, b: number, c: number, e: number) =>
          (1 - t) ** 3 * a + 3 * (1 - t) ** 2 * t * b + 3 * (1 - t) * t * t * c + t ** 3 * e;
        points.push([mix(at[0], x1, x2, end[0]), mix(at[1], y1, y2, end[1])]);
      }
    }
    points.push(end);
    at = end;
  }
  return points;
}

test.each(['violin', 'viola', 'cello', 'bass'] as const)('a %s is drawn to its measures', (family) => {
  const { body, upper, waist, lower, stop } = MEASURES[family];
  const scale = 355 / body;
  const plate = plates[family];
  const outline = pointsOf(plate.zones.whole![0]!.d);
  const across = (from: number, to: number) => outline.filter(([, y]) => y > from && y < to).map(([x]) => 2 * x);
  expect(Math.max(...across(40, 110))).toBeCloseTo(upper * scale, 0);
  expect(Math.min(...across(140, 205))).toBeCloseTo(waist * scale, 0);
  expect(Math.max(...across(240, 355))).toBeCloseTo(lower * scale, 0);
  expect(Math.max(...outline.map(([, y]) => y))).toBeCloseTo(355, 0);
  // The bridge stands where the f-holes are cut across.
  expect(plate.anchors.bridge![1]).toBeCloseTo(stop * scale, 5);
  // Purfling runs inside the edge, all along it.
  const purfling = pointsOf(plate.shapes[plate.shapes.findIndex(({ d }) => d === plate.zones.whole![0]!.d) + 1]!.d);
  for (const [x, y] of purfling) {
    const nearest = Math.min(...outline.map(([ox, oy]) => Math.hypot(ox - x, oy - y)));
    expect([x, y, nearest > 1.4 && nearest < 6.5]).toEqual([x, y, true]);
  }
});

test('the violin’s are those of the full size: body 355, bouts 168, 112 and 208, stop 195, neck 130', () => {
  // Common practice of makers.
  expect(MEASURES.violin).toMatchObject({ body: 355, upper: 168, waist: 112, lower: 208, stop: 195, neck: 130 });
  // Neck to stop as two to three [common practice].
  for (const { neck, stop } of [MEASURES.violin, MEASURES.viola]) expect(neck / stop).toBeCloseTo(2 / 3, 1);
});

test('a guitar’s octave fret stands half way to the bridge, where a classical neck meets the body', () => {
  const classical = pointsOf(guitarPlate('classical').zones.whole![0]!.d);
  expect(Math.min(...classical.map(([, y]) => y))).toBeCloseTo((206 - 196) / 2, -1);
});

test('every variant has a drawing of its own', () => {
  const drawings = [
    ...(['classical', 'steel', 'electric'] as const).map((form) => guitarPlate(form)),
    guitarPlate('steel', 12),
    guitarPlate('bass-guitar', 4),
    harpPlate(false),
    harpPlate(true),
  ].map(({ shapes }) => JSON.stringify(shapes));
  expect(new Set(drawings).size).toBe(drawings.length);
});

/** Contrast of two colours after WCAG 2.2, "relative luminance" and "contrast ratio" (published). */
function contrast(a: string, b: string): number {
  const luminance = (hex: string) => {
    const [r, g, blue] = [1, 3, 5].map((at) => {
      const channel = Number.parseInt(hex.slice(at, at + 2), 16) / 255;
      return channel <= 0.04045 ? channel / 12.92 : ((channel + 0.055) / 1.055) ** 2.4;
    });
    return 0.2126 * r! + 0.7152 * g! + 0.0722 * blue!;
  };
  const [light, dark] = [luminance(a), luminance(b)].sort((x, y) => y - x);
  return (light! + 0.05) / (dark! + 0.05);
}

test.each([
  ['day', DAY],
  ['night', NIGHT],
] as const)('text is legible by %s: 4.5 to 1, edges of controls 3 to 1', (_, palette: Palette) => {
  for (const ground of ['ground', 'surface', 'accentTint'] as const) {
    for (const ink of ['text', 'quiet'] as const)
      expect([ground, ink, contrast(palette[ink], palette[ground]) >= 4.5]).toEqual([ground, ink, true]);
  }
  for (const ground of ['ground', 'surface'] as const) {
    for (const ink of ['accent', 'well', 'soon', 'now'] as const) {
      expect([ground, ink, contrast(palette[ink], palette[ground]) >= 4.5]).toEqual([ground, ink, true]);
    }
    expect(contrast(palette.edge, palette[ground])).toBeGreaterThanOrEqual(3);
  }
  expect(contrast(palette.onAccent, palette.accent)).toBeGreaterThanOrEqual(4.5);
});

describe('keys', () => {
  let stop: () => void;
  beforeEach(() => {
    stop = listenForKeys();
  });
  afterEach(() => stop());
  const press = (key: string, init: KeyboardEventInit = {}) =>
    act(() => void window.dispatchEvent(new KeyboardEvent('keydown', { key, ...init })));

  function Layer({ run, inner }: { run: () => void; inner?: () => void }) {
    useKeys({ s: { label: 'Start', run } });
    return inner ? <Layer run={inner} /> : null;
  }

  test('do what the topmost layer says, and nothing with Ctrl or once it is gone', () => {
    const [under, over] = [jest.fn(), jest.fn()];
    const { show, remove } = mount(<Layer run={over} inner={under} />);
    press('s');
    press('S');
    press('s', { ctrlKey: true });
    expect(over.mock.calls.length + under.mock.calls.length).toBe(2);
    show(<Layer run={over} />);
    over.mockClear();
    press('s');
    expect(over).toHaveBeenCalledTimes(1);
    remove();
    press('s');
    expect(over).toHaveBeenCalledTimes(1);
  });

  test('always do the newest thing', () => {
    const seen: number[] = [];
    function Counter() {
      const [count, setCount] = useState(0);
      useKeys({
        s: {
          label: 'Count',
          run: () => {
            seen.push(count);
            setCount(count + 1);
          },
        },
      });
      return null;
    }
    const { remove } = mount(<Counter />);
    press('s');
    press('s');
    expect(seen).toEqual([0, 1]);
    remove();
  });
});

test('a notice replaces the one before it', () => {
  notify('Rosined.');
  notify('Slackened.', jest.fn());
  expect(useNotice.getState().notice).toMatchObject({ text: 'Slackened.' });
});
