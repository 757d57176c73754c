import type { Household, Instrument } from '@tembrin/contract';
import { act, type ReactNode } from 'react';
import { mount } from '@/testing/mount';
import { useAssessmentStore } from '@/state/assessment-store';
import { useHousehold } from '@/state/household';
import { BowDrawing } from './BowDrawing';
import { CaseDrawing } from './CaseDrawing';
import { CaseDrill } from './CaseDrill';
import { LookUp } from './MayUse';
import { OrderDrill } from './OrderDrill';
import type { DrillOutcome } from './outcome';
import { ScrewDrill } from './ScrewDrill';
import { shuffled } from './shuffled';
import { ZonesDrill } from './ZonesDrill';
import { assessInstrument } from '@tembrin/core/assess';
import { bowAt } from '@tembrin/core/bow';
import { CASE_FAULTS } from '@tembrin/core/learning';
import { CLOSING_STEPS, stepsFor } from '@tembrin/core/routines';
import { schoolsFor, usualFacts } from '@tembrin/core/instruments';

const violin: Instrument = {
  id: 'v',
  name: 'Heron',
  ...usualFacts('violin'),
  addedAt: '2026-01-01T12:00:00.000Z',
  version: 1,
};
const household = {
  id: 'h',
  name: 'Ours',
  timeZone: 'UTC',
  schools: {},
  version: 1,
  people: [],
  instruments: [violin],
};
const mounted: (() => void)[] = [];
// Shapes that can be tapped carry React Native's handlers too, which a page does not know and says so at length.
const sayError = console.error.bind(console);
jest.spyOn(console, 'error').mockImplementation((...said: unknown[]) => {
  if (!String(said[0]).startsWith('Unknown event handler property')) sayError(...said);
});
beforeAll(() => {
  useHousehold.setState({ status: 'in', household: household as unknown as Household });
  const assessment = assessInstrument(violin, {
    ...household,
    instruments: [violin],
    eventsOf: () => [],
    places: new Map(),
    occasions: [],
    bows: [],
    nowMs: Date.parse('2026-06-01T20:00:00.000Z'),
  });
  useAssessmentStore.setState({ byInstrument: { v: assessment } });
});
afterEach(() => mounted.splice(0).forEach((remove) => remove()));

function page(node: ReactNode): HTMLElement {
  const { element, remove } = mount(node);
  mounted.push(remove);
  return element;
}
/** Presses what has this role and these words. */
function press(element: HTMLElement, role: string, words: string): void {
  const found = [...element.querySelectorAll<HTMLElement>(`[role=${role}]`)].find(
    (each) => (each.getAttribute('aria-label') ?? each.textContent) === words,
  );
  if (!found) throw new Error(`No ${role} “${words}” in: ${element.textContent}`);
  act(() => found.click());
}

test('the bow is drawn as it stands: curve, hair and gap in words', () => {
  const words = (turns: number) =>
    page(<BowDrawing bow={bowAt('violin', turns)} family="violin" />)
      .querySelector('[role=img]')!
      .getAttribute('aria-label');
  expect(words(0)).toBe('A bow: the gap is 1.5 mm, the stick curves inwards, the hair lies loose.');
  expect(words(7)).toMatch(/gap is 7\.\d mm, the stick curves inwards, the hair is pulled/);
  expect(words(10.9)).toMatch(/the stick is straight/);
  expect(words(12)).toMatch(/bends outwards/);
});

test('an open case says what is to be seen in it, fault by fault', () => {
  const words = (faults: Parameters<typeof CaseDrawing>[0]['faults']) =>
    page(<CaseDrawing faults={faults} marked={[]} onFault={() => undefined} />)
      .querySelector('[role=img]')!
      .getAttribute('aria-label')!;
  const fine = words([]).split('; ');
  for (const fault of CASE_FAULTS) {
    const seen = words([fault]).split('; ');
    expect(seen.filter((sentence, at) => sentence !== fine[at])).toHaveLength(1);
  }
});

test('the screw drill counts an answer given too early as wrong, and slackening as its own step', () => {
  const outcomes: DrillOutcome[] = [];
  const drill = page(<ScrewDrill instrument={violin} onOver={(outcome) => outcomes.push(outcome)} />);
  press(drill, 'button', 'That is right');
  expect(drill.textContent).toMatch(/Not yet: the gap is 1\.5 mm/);
  press(drill, 'button', 'Go on');
  for (let turn = 0; turn < 8; turn++) press(drill, 'button', 'Slacker');
  press(drill, 'button', 'That is right');
  expect(drill.textContent).toMatch(/Right: the gap is 7/);
  press(drill, 'button', 'Go on');
  press(drill, 'button', 'That is right');
  press(drill, 'button', 'Go on');
  expect(outcomes).toEqual([{ right: 1, of: 3, missed: ['slacken'] }]);
});

test('the order drill takes every order the trade allows, and counts what was tapped too soon', () => {
  const outcomes: DrillOutcome[] = [];
  const drill = page(<OrderDrill instrument={violin} onOver={(outcome) => outcomes.push(outcome)} />);
  const steps = stepsFor(CLOSING_STEPS, violin, schoolsFor('violin')).filter(({ due }) => !due);
  press(drill, 'button', 'Into the case');
  expect(drill.textContent).toMatch(/Not yet\. Before that: slacken the bow/);
  // Hands before rosin is as good as rosin before hands, with two cloths.
  const order = steps.map(({ title }) => title);
  const [rosin, hands] = [order.indexOf('Wipe the rosin zones'), order.indexOf('Wipe where hands were')];
  [order[rosin], order[hands]] = [order[hands]!, order[rosin]!];
  for (const title of order) press(drill, 'button', title);
  press(drill, 'button', 'Go on');
  expect(outcomes).toEqual([{ right: steps.length - 1, of: steps.length, missed: ['slacken'] }]);
});

test('the case drill counts what was overlooked and what was marked for nothing', () => {
  const outcomes: DrillOutcome[] = [];
  const drill = page(<CaseDrill instrument={violin} onOver={(outcome) => outcomes.push(outcome)} />);
  for (const name of ['Shoulder rest', 'Bow holder', 'Bow hair', 'Pencil pocket', 'Strings', 'Rosin box'])
    press(drill, 'checkbox', name);
  press(drill, 'button', 'Shut the lid');
  expect(drill.textContent).toMatch(/Nothing was missed/);
  press(drill, 'button', 'Go on');
  expect(outcomes[0]!.missed).toEqual([]);
  expect(outcomes[0]!.right).toBeGreaterThanOrEqual(2);
  expect(outcomes[0]!.right).toBeLessThanOrEqual(4);
});

test('the zones drill asks three zones, and one answer each counts', () => {
  const outcomes: DrillOutcome[] = [];
  const drill = page(<ZonesDrill instrument={violin} onOver={(outcome) => outcomes.push(outcome)} />);
  for (let at = 0; at < 3; at++) {
    press(drill, 'radio', 'Bow stick');
    press(drill, 'radio', 'Strings');
    press(drill, 'button', 'Go on');
  }
  expect(outcomes[0]).toMatchObject({ of: 3 });
  expect(outcomes[0]!.right + outcomes[0]!.missed.length).toBe(3);
  expect(outcomes[0]!.missed).not.toContain('wipe-stick');
});

test('the look-up answers at once, with its reason', () => {
  const look = page(<LookUp instrument={violin} />);
  const answer = () => look.querySelector('[role=status]')!.textContent;
  expect(answer()).toMatch(/^AllowedDry soft cloth on varnish/);
  press(look, 'radio', 'Naphtha (lighter fluid)');
  press(look, 'radio', 'Fingerboard or fretboard');
  expect(answer()).toBe('NeverNaphtha (lighter fluid) on fingerboard or fretboardIt dries the wood.');
});

test('shuffling loses nothing and adds nothing', () => {
  const things = Array.from({ length: 30 }, (_, at) => at);
  expect(shuffled(things).sort((a, b) => a - b)).toEqual(things);
  expect(shuffled([])).toEqual([]);
});
