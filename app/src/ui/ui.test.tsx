import { act, useState } from 'react';
import { mount } from '@/testing/mount';
import { notify, useNotice } from '@/state/notice';
import { bowedPlates, bowPlate } from './plate/bowed';
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
  guitar: guitarPlate(false),
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
  for (const { shapes, zones } of [...Object.values(plates), bowPlate(500), guitarPlate(true), harpPlate(true)]) {
    for (const { d } of [...shapes, ...Object.values(zones).flat()]) expect(d).toMatch(/^M[-\d.\sMmLlHhVvCcAaZz]+$/);
  }
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
