import { plannedWords } from '@tembrin/contract/year-words';
import type { ReactNode } from 'react';
import { mount } from '@/testing/mount';
import { StepDrawing } from '@/features/guided/StepDrawing';
import { usePreferences } from '@/state/preferences';
import { CreepChart } from './CreepChart';
import { PullChart } from './PullChart';
import { Unison } from './Unison';
import { PICTURES } from '@tembrin/core/guided';
import type { PlannedItem } from '@tembrin/core/year';

const mounted: (() => void)[] = [];
afterEach(() => mounted.splice(0).forEach((remove) => remove()));
function page(node: ReactNode): HTMLElement {
  const { element, remove } = mount(node);
  mounted.push(remove);
  return element;
}
const said = (node: ReactNode) => page(node).querySelector('[role=img]')?.getAttribute('aria-label');
const DAY = 86_400_000;

test('the chart of pulls says every string, old and new, in the unit chosen', () => {
  const rows = [
    { name: 'E5', newN: 78, oldN: 72, gaugeMm: 0.26 },
    { name: 'A4', newN: null, oldN: 54, gaugeMm: null },
    { name: 'D4', newN: 43, oldN: null, gaugeMm: null },
  ];
  expect(said(<PullChart label="Pull" rows={rows} />)).toBe(
    'Pull: E5 72 N, then 78 N; A4 54 N, then not known; D4 43 N',
  );
  mounted.splice(0).forEach((remove) => remove());
  usePreferences.getState().setForces('kgf');
  expect(said(<PullChart label="Pull" rows={[{ name: 'E5', newN: 78, gaugeMm: 0.26 }]} />)).toBe('Pull: E5 8.0 kgf');
  mounted.splice(0).forEach((remove) => remove());
  usePreferences.getState().setForces('N');
});

test('the settling curve and the two strings say their figures', () => {
  const creep = { cents: 400, days: 2 };
  const tunings = [{ at: DAY, cents: -150 }];
  // 400 · (1 − e^(−2/2)) = 253 cents after two days.
  expect(said(<CreepChart creep={creep} fittedAt={0} tunings={tunings} settledAt={8 * DAY} nowMs={2 * DAY} />)).toBe(
    'Fall of the string: 253 cents expected so far, 1 tuning on record, settled after 8 days',
  );
  // An A 12.4 cents flat: 440 · 2^(−12.4/1200) = 436.86 Hz, so 3.1 beats a second.
  const hz = 440 * 2 ** (-12.4 / 1200);
  expect(said(<Unison heard={{ cents: -12.4, hz, wantedHz: 440 }} />)).toBe('12 cents flat, 3.1 beats a second');
  expect(said(<Unison heard={{ cents: 0.1, hz: 440.02, wantedHz: 440 }} />)).toBe('in tune, no beats');
  expect(said(<Unison heard={null} />)).toBe('Nothing heard');
});

test.each(PICTURES.filter((picture) => picture !== 'none'))(
  'the picture “%s” of a step is drawn and named',
  (picture) => {
    const element = page(<StepDrawing picture={picture} height={170} />);
    expect(element.querySelector('[role=img]')!.getAttribute('aria-label')).toMatch(/^[A-Z].{10,}/);
    expect(element.querySelectorAll('svg path, svg line, svg rect, svg circle').length).toBeGreaterThan(2);
  },
);

describe('why something stands on its day', () => {
  const noon = Date.parse('2026-06-01T12:00:00Z');
  const item: PlannedItem = {
    instrumentId: 'a',
    bowId: null,
    part: 'hair',
    who: 'workshop',
    from: 0,
    window: { early: noon, middle: noon + 30 * DAY, late: noon + 60 * DAY },
    state: 'well',
    settles: 4,
    keepsClear: 7,
    outlook: { kind: 'window', window: { early: noon, middle: noon + 30 * DAY, late: noon + 60 * DAY } },
    day: Math.floor((noon + 30 * DAY) / DAY),
    placed: { by: 'window' },
    risk: 0.5,
    clash: null,
  };
  const concert = { title: 'Quay concert', kind: 'performance' as const, instrumentId: null, from: 1, to: 1 };
  const words = (more: Partial<PlannedItem>) => plannedWords({ ...item, ...more }, 'UTC');

  test('is one sentence for each way it came there', () => {
    const span = 'Due between 1 Jun 2026 and 31 Jul 2026; planned for 1 Jul 2026';
    expect(words({})).toBe(`${span}, the middle of that. Done by: workshop.`);
    expect(words({ placed: { by: 'today' } })).toBe(`${span}: the middle of that is past. Done by: workshop.`);
    expect(words({ placed: { by: 'player' }, clash: concert })).toBe(
      `${span}, as you set it. That is too close before Quay concert. Done by: workshop.`,
    );
    expect(words({ placed: { by: 'performance', side: 'before', occasion: concert }, who: 'self' })).toBe(
      `${span} before Quay concert, to leave it alone in the days before. Done by: yourself.`,
    );
    expect(words({ placed: { by: 'visit', with: 1 } })).toMatch(/together with one other in one visit\. Done by/);
    expect(words({ placed: { by: 'visit', with: 3 } })).toMatch(/together with 3 others in one visit\./);
  });
});
