import { mount } from '@/testing/mount';
import { StepDetail } from './StepView';
import { assess } from '@tembrin/core/assess';
import { closingRound, openingRound, type RoundStep } from '@tembrin/core/routines';
import { foldLog, type LogEvent } from '@tembrin/core/log';
import { schoolsFor, usualFacts, type InstrumentFacts } from '@tembrin/core/instruments';

const NOW = Date.parse('2026-06-01T20:00:00.000Z');
const HOUR = 3_600_000;
let count = 0;
function event(type: LogEvent['type'], at: number, payload: object): LogEvent {
  const time = new Date(at).toISOString();
  const id = `00000000-0000-4000-8000-${String(++count).padStart(12, '0')}`;
  return { id, instrumentId: 'v', type, occurredAt: time, recordedAt: time, payload } as LogEvent;
}
function situationOf(facts: InstrumentFacts, events: readonly LogEvent[]) {
  const log = foldLog(events, NOW, 'UTC');
  const schools = schoolsFor(facts.family);
  return assess(facts, log, { schools, observedFrom: NOW - 1000 * HOUR });
}
/** What a step shows, as text and as markup. */
function shown(step: RoundStep) {
  const { element, remove } = mount(<StepDetail step={step} />);
  const text = element.textContent ?? '';
  const moves = element.querySelectorAll('[role=listitem]').length;
  remove();
  return { text, moves };
}
const child = usualFacts('violin');
child.setUp = { ...child.setUp, player: 'child' };

test('a step says with what, how and why; what can do harm is said too', () => {
  const [slacken, stick] = closingRound(situationOf(usualFacts('violin'), []));
  expect(shown(slacken!).text).toMatch(/Turn the screw back.*warps.*Never until the screw comes out/);
  expect(shown(stick!).text).toMatch(/^Dry cloth.*Never the hair/);
});

test('the player’s own measure stands beside the step it is for', () => {
  const measured = event('measured', NOW - HOUR, { figure: 'bow-turns', value: 6.5 });
  const [slacken] = closingRound(situationOf(usualFacts('violin'), [measured]));
  expect(shown(slacken!).text).toMatch(/Last time: 6\.5 turns/);
});

test('a step that keeps being missed is spelt out move by move, and one that is not stays a paragraph', () => {
  const drills = [1, 2].map((hours) =>
    event('drill-done', NOW - hours * HOUR, { drill: 'order', right: 6, of: 8, missed: ['wipe-rosin'] }),
  );
  const round = closingRound(situationOf(usualFacts('violin'), drills));
  const moves = (id: string) => shown(round.find(({ step }) => step === id)!).moves;
  expect(moves('wipe-rosin')).toBe(2);
  expect(moves('wipe-strings')).toBe(0);
});

test('what an adult does for a child is said', () => {
  const glance = openingRound(situationOf(child, [])).find(({ step }) => step === 'glance')!;
  expect(shown(glance).text).toMatch(/An adult does this/);
  const own = openingRound(situationOf(usualFacts('violin'), [])).find(({ step }) => step === 'glance')!;
  expect(shown(own).text).not.toMatch(/adult/);
});

test('this evening’s reason comes first', () => {
  const began = event('session-began', NOW - 2 * HOUR, {});
  const ended = event('session-ended', NOW - 0.9 * HOUR, { sessionId: began.id });
  const rosin = openingRound(situationOf(usualFacts('violin'), [began, ended])).find(({ step }) => step === 'rosin')!;
  expect(shown(rosin).text).toMatch(/^66 min bowed and no rosining on record: give it four passes\./);
});
