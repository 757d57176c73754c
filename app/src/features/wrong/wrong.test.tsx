import { router } from 'expo-router';
import { act, enter, retract } from '@/state/actions';
import { useAssessment } from '@/state/assessments';
import { anEvent, anInstrument, evenings, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { runHook } from '@/testing/hook';
import type { LogEvent } from '@tembrin/core/log';
import { useCase } from './use-case';
import { useWrongStart } from './use-wrong-start';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/actions', () => ({
  act: jest.fn(async (_id: string, drafts: unknown[]) => drafts),
  enter: jest.fn(async (events: unknown[]) => events),
  retract: jest.fn(async () => undefined),
}));

const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const noticed = (daysAgo: number, symptoms: string[], by: 'child' | 'player' = 'player') =>
  anEvent(heron, 'trouble-noticed', TONIGHT - daysAgo * DAY, { symptoms, by });
const answered = (trouble: LogEvent, question: string, answer: string, daysAgo = 0.1) =>
  anEvent(heron, 'trouble-answered', TONIGHT - daysAgo * DAY, { troubleId: trouble.id, question, answer });
const drafts = () => jest.mocked(act).mock.calls.at(-1)![1];

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

/** The last trouble of a log, looked into. */
function looking(events: readonly LogEvent[]) {
  openTestHousehold([heron], [...evenings(heron, 20), ...events]);
  return runHook(() => useCase(heron, useAssessment(heron).log.troubles.at(-1)!));
}

describe('something is wrong', () => {
  it('offers what can be noticed on this instrument, by how it shows or by where', async () => {
    openTestHousehold([heron], evenings(heron, 3));
    const start = runHook(() => useWrongStart(heron));
    expect(start.now.shown).toContain('squeals');
    expect(start.now.shown).not.toContain('fret-ends');
    await start.after(({ setZone }) => setZone('pegs'));
    expect(start.now.shown).toEqual(['creaks-tuning', 'pegs-slip', 'pegs-stuck', 'flat-always']);
    await start.after(({ toggle }) => toggle('pegs-slip'));
    await start.after(({ setNoticed }) => setNoticed('hearing'));
    expect(start.now.chosen).toEqual(['pegs-slip']);
    expect(start.now.zone).toBeNull();
    await start.after(({ begin }) => begin());
    const [event] = jest.mocked(enter).mock.calls[0]![0];
    expect(event).toMatchObject({ type: 'trouble-noticed', payload: { symptoms: ['pegs-slip'], by: 'player' } });
    expect(router.push).toHaveBeenCalledWith({ pathname: '/bench/wrong/[trouble]', params: { trouble: event!.id } });
  });

  it('takes five at most, and a child looks at what a child can', async () => {
    const child = { ...heron, setUp: { ...heron.setUp, player: 'child' as const } };
    openTestHousehold([child]);
    const start = runHook(() => useWrongStart(child));
    expect(start.now.by).toBe('child');
    for (const id of ['dull', 'airy', 'gritty', 'squeals', 'hollow', 'false'] as const)
      await start.after(({ toggle }) => toggle(id));
    expect(start.now.chosen).toEqual(['dull', 'airy', 'gritty', 'squeals', 'hollow']);
    expect(start.now.full).toBe(true);
  });
});

describe('a case', () => {
  it('says the danger first, asks one look, answers it once, and passes one over', async () => {
    const trouble = noticed(1, ['hollow']);
    const page = looking([trouble]);
    expect(page.now.unheeded).toBe(true);
    await page.after(({ heed }) => heed());
    expect(page.now.unheeded).toBe(false);
    const first = page.now.judgement!.next!;
    await page.after(({ answer }) => {
      answer(first, 'fine');
      answer(first, 'fine');
    });
    expect(act).toHaveBeenCalledTimes(1);
    expect(drafts()).toEqual([
      { type: 'trouble-answered', payload: { troubleId: trouble.id, question: first, answer: 'fine' } },
    ]);
    await page.after(({ passOver }) => passOver(first));
    expect(page.now.judgement!.next).not.toBe(first);
    await page.after(({ askAgain }) => askAgain());
    expect(page.now.judgement!.next).toBe(first);
  });

  it('shows how each cause stood before the last answer, and what the next would change', async () => {
    const trouble = noticed(1, ['hollow']);
    const page = looking([trouble, answered(trouble, 'post', 'gone')]);
    const [lead] = page.now.judgement!.causes;
    expect(lead!.id).toBe('post-fallen');
    expect(page.now.before.get('post-fallen')!).toBeLessThan(lead!.chance / 3);
    expect(page.now.outcomes.length === 0).toBe(page.now.judgement!.next === null);
    // It is taken to be a danger that nobody has read of yet.
    expect(page.now.unheeded).toBe(true);
    expect(page.now.job?.id).toBe('post-look');
    await page.after(({ takeBack, answered: [one] }) => takeBack(one!.eventId));
    expect(retract).toHaveBeenCalledWith(heron.id, [expect.any(String)], 'Taken back.');
  });

  it('goes on the list for the workshop once, and is kept with what was found of it', async () => {
    const trouble = noticed(1, ['hollow']);
    const page = looking([trouble, answered(trouble, 'post', 'gone')]);
    await page.after(({ forVisit }) => forVisit!());
    expect(drafts()).toEqual([
      {
        type: 'looked-at',
        payload: expect.objectContaining({ look: 'post', verdict: 'act', note: 'The sound post has fallen' }),
      },
    ]);
    const finding = anEvent(heron, 'looked-at', TONIGHT - 1000, {
      look: 'post',
      verdict: 'act',
      overId: null,
      by: 'player',
      zone: null,
      point: null,
      figures: [],
      string: null,
      note: '',
    });
    const after = looking([trouble, answered(trouble, 'post', 'gone'), finding]);
    expect(after.now.forVisit).toBeNull();
    await after.after(({ settle }) => settle('post-fallen', 'workshop', ' Set anew. '));
    expect(drafts()).toEqual([
      {
        type: 'trouble-settled',
        payload: { troubleId: trouble.id, cause: 'post-fallen', by: 'workshop', note: 'Set anew.' },
      },
      { type: 'finding-settled', payload: { findingId: finding.id, how: 'mended' } },
    ]);
  });

  it('left for a year it is asked whether it is still so, and begun anew in one act', async () => {
    const trouble = noticed(365, ['buzz-many', 'sings-by-itself']);
    const page = looking([trouble]);
    expect(page.now).toMatchObject({ stale: true, misfits: ['sings-by-itself'] });
    await page.after(({ anew }) => anew());
    const [over, fresh] = jest.mocked(enter).mock.calls[0]![0];
    expect(over).toMatchObject({ type: 'trouble-settled', payload: { troubleId: trouble.id, cause: null } });
    expect(fresh).toMatchObject({ type: 'trouble-noticed', payload: { symptoms: ['buzz-many'], by: 'player' } });
    expect(router.replace).toHaveBeenCalledWith({ pathname: '/bench/wrong/[trouble]', params: { trouble: fresh!.id } });
  });

  it('new strings and the air have their own pages; once over, nothing forbids playing', () => {
    const old = noticed(1, ['dull', 'false']);
    const strings = anEvent(heron, 'strings-fitted', TONIGHT - 900 * DAY, {
      strings: null,
      reason: 'worn',
      known: true,
    });
    expect(looking([strings, old]).now.mendedBy).toBe('change');
    const damp = noticed(1, ['dull']);
    expect(
      looking([damp, answered(damp, 'hygrometer', 'damp'), answered(damp, 'string-height', 'higher')]).now.mendedBy,
    ).toBe('air');
    const hollow = noticed(1, ['hollow']);
    const over = anEvent(heron, 'trouble-settled', TONIGHT - 1000, {
      troubleId: hollow.id,
      cause: null,
      by: 'self',
      note: '',
    });
    expect(looking([hollow, over]).now.unheeded).toBe(false);
  });
});
