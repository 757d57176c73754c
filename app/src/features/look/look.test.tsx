import { router } from 'expo-router';
import { act, enter, takeBack } from '@/state/actions';
import { loadPhotos } from '@/state/load-seldom';
import { useAssessment } from '@/state/assessments';
import { asideWords } from '@/copy/findings';
import { todoWords, whoWords } from '@/copy/looks';
import { anEvent, anInstrument, evenings, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { runHook } from '@/testing/hook';
import { adviceOn, openLookOver } from '@tembrin/core/inspection';
import type { EventOf, LogEvent } from '@tembrin/core/log';
import { LOOK_GUIDES, roundUnderWay } from '@tembrin/core/looks';
import { marksOf } from './marks';
import { useFindings } from './use-findings';
import { useLook } from './use-look';
import { useLookRound } from './use-look-round';
import { useLookStart } from './use-look-start';
import { useLooked } from './use-looked';

jest.mock('expo-router', () => ({ router: { push: jest.fn(), replace: jest.fn() } }));
jest.mock('@/state/actions', () => ({
  act: jest.fn(async (_id: string, drafts: unknown[]) => drafts),
  enter: jest.fn(async (events: unknown[]) => events),
  takeBack: jest.fn(async () => undefined),
}));

jest.mock('@/state/load-seldom', () => ({ loadPhotos: jest.fn() }));

const MINUTE = 60_000;
const PHOTO = 'ab'.repeat(32);
const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
type Seen = EventOf<'looked-at'>['payload'];
const seen = (look: Seen['look'], verdict: Seen['verdict'], overId: string | null, more: Partial<Seen> = {}): Seen => ({
  look,
  verdict,
  overId,
  by: 'player',
  zone: null,
  point: null,
  figures: [],
  string: null,
  note: '',
  ...more,
});
const began = (minutesAgo: number, extent: 'quick' | 'full' | 'bow' = 'quick') =>
  anEvent(heron, 'look-over-began', TONIGHT - minutesAgo * MINUTE, { extent, by: 'player' });
/** What was put on record with its id, as a look is. */
const entered = () =>
  (jest.mocked(enter).mock.calls.at(-1)![0] as LogEvent[]).map(({ type, payload }) => ({ type, payload }));
const drafts = () => jest.mocked(act).mock.calls.at(-1)![1] as { type: string; payload: unknown }[];

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
});
afterEach(() => jest.useRealTimers());

/** The look in hand of the round that is under way. */
function inRound() {
  return runHook(() => {
    const assessment = useAssessment(heron);
    const round = roundUnderWay(assessment, openLookOver(assessment.log)!);
    return { round, ...useLookRound(heron, assessment, round, round.next!) };
  });
}

describe('before a look-over', () => {
  it('says what it costs, how many looks it has, and begins', async () => {
    openTestHousehold([heron], evenings(heron, 6));
    const hook = runHook(() => useLookStart(heron));
    expect(hook.now.counts).toEqual({ quick: 3, full: 19, bow: 5 });
    expect(hook.now.time.measured).toBe(false);
    expect(hook.now.reasons.map(({ cause }) => cause)).toEqual(['never']);
    await hook.after(({ setExtent }) => setExtent('bow'));
    await hook.after(({ begin }) => begin());
    expect(drafts()).toEqual([{ type: 'look-over-began', payload: { extent: 'bow', by: 'player' } }]);
    expect(router.push).toHaveBeenCalledWith('/bench/looking');
  });

  it('a child’s is composed for a child; a fall is put on record', async () => {
    const wren = { ...heron, id: '00000000-0000-4000-8000-0000000000aa' };
    wren.setUp = { ...heron.setUp, player: 'child' };
    openTestHousehold([wren], []);
    const hook = runHook(() => useLookStart(wren));
    expect(hook.now.by).toBe('child');
    await hook.after(({ setExtent }) => setExtent('full'));
    expect(hook.now.steps.map(({ look }) => look)).not.toContain('post');
    await hook.after(({ fell }) => fell());
    expect(drafts()).toEqual([{ type: 'knocked', payload: {} }]);
  });
});

describe('a look', () => {
  it('is answered with its figures, its zone and its note; the figures tell what they mean', async () => {
    const over = began(2);
    openTestHousehold([heron], [over]);
    const hook = inRound();
    expect(hook.now.round.next!.look).toBe('bridge-lean');
    await hook.after(({ setText }) => setText('bridge-angle', '95'));
    expect(hook.now.told).toBe('act');
    await hook.after(({ setPoint }) => setPoint({ x: 0.5, y: 0.4 }));
    await hook.after(({ setNote }) => setNote(' After tuning. '));
    await hook.after(({ answer }) => answer('act'));
    expect(entered()).toEqual([
      {
        type: 'looked-at',
        payload: seen('bridge-lean', 'act', over.id, {
          zone: 'bridge',
          point: { x: 0.5, y: 0.4 },
          figures: [{ figure: 'bridge-angle', value: 95 }],
          note: 'After tuning.',
        }),
      },
    ]);
  });

  it('with a figure that cannot be is not put on record; it says what to do', async () => {
    openTestHousehold([heron], [began(2)]);
    const hook = inRound();
    await hook.after(({ setText }) => setText('bridge-angle', '950'));
    await hook.after(({ answer }) => answer('good'));
    expect(enter).not.toHaveBeenCalled();
    expect(hook.now.errors['bridge-angle']).toMatch(/lies between 60 and 120°/);
  });

  it('the last one ends the round; a second tap answers nothing more', async () => {
    const over = began(2);
    const events: LogEvent[] = [
      over,
      anEvent(heron, 'looked-at', TONIGHT - MINUTE, seen('bridge-lean', 'good', over.id)),
      anEvent(heron, 'look-skipped', TONIGHT - MINUTE + 1, { look: 'strings', overId: over.id }),
    ];
    openTestHousehold([heron], events);
    const hook = inRound();
    expect(hook.now.round.next!.look).toBe('hair-band');
    expect(hook.now.undoTitle).toBe('Undo: strings, whole');
    await hook.after(({ answer }) => {
      answer('good');
      answer('good');
    });
    expect(enter).toHaveBeenCalledTimes(1);
    expect(entered().map(({ type }) => type)).toEqual(['looked-at', 'look-over-ended']);
    await hook.after(({ undo }) => undo());
    expect(takeBack).toHaveBeenCalledWith([{ id: events[2]!.id, instrumentId: heron.id }]);
  });

  it('goes on record with its photograph, which is kept before anything names it', async () => {
    const over = began(2);
    openTestHousehold([heron], [over]);
    const kept = {
      keepPhoto: jest.fn(async () => PHOTO),
      sendPhotos: jest.fn(async () => undefined),
      letGo: jest.fn(),
    };
    jest.mocked(loadPhotos).mockResolvedValue(kept as never);
    const hook = inRound();
    const bytes = Uint8Array.of(1, 2, 3);
    await hook.after(({ setPhoto }) => setPhoto(bytes));
    await hook.after(({ answer }) => answer('watch'));
    expect(kept.keepPhoto).toHaveBeenCalledWith(heron.id, bytes);
    const [looked] = jest.mocked(enter).mock.calls.at(-1)![0] as LogEvent[];
    expect(entered()[1]).toEqual({
      type: 'photographed',
      payload: { photo: PHOTO, look: 'bridge-lean', zone: 'bridge', findingId: looked!.id },
    });
    expect(kept.sendPhotos).toHaveBeenCalled();
    expect(kept.letGo).not.toHaveBeenCalled();
  });

  it('is not put on record where its photograph could not be kept; one that named nothing is let go of', async () => {
    openTestHousehold([heron], [began(2)]);
    const kept = {
      keepPhoto: jest.fn(async () => null as string | null),
      sendPhotos: jest.fn(async () => undefined),
      letGo: jest.fn(),
    };
    jest.mocked(loadPhotos).mockResolvedValue(kept as never);
    const hook = inRound();
    await hook.after(({ setPhoto }) => setPhoto(Uint8Array.of(1)));
    await hook.after(({ answer }) => answer('watch'));
    expect(enter).not.toHaveBeenCalled();
    kept.keepPhoto.mockResolvedValue(PHOTO);
    jest.mocked(enter).mockResolvedValueOnce([]);
    await hook.after(({ answer }) => answer('watch'));
    expect(kept.letGo).toHaveBeenCalledWith({ instrumentId: heron.id, photo: PHOTO });
  });

  it('has in its field what was measured within the hour, and says what that means', async () => {
    const measured = anEvent(heron, 'measured', TONIGHT - 3 * MINUTE, { figure: 'bridge-angle', value: 92.5 });
    openTestHousehold([heron], [began(2), measured]);
    const hook = inRound();
    expect(hook.now.texts['bridge-angle']).toBe('92.5');
    expect(hook.now.told).toBe('watch');
    await hook.after(({ setText }) => setText('bridge-angle', ''));
    expect(hook.now.told).toBeNull();
  });

  it('at another bow than the one in hand is of that bow', async () => {
    const spare = '00000000-0000-4000-8000-0000000000b7';
    const facts = { title: 'Spare', ownOf: null, instrumentIds: [heron.id], use: 'seldom', gone: false } as const;
    const over = anEvent(heron, 'look-over-began', TONIGHT - MINUTE, { extent: 'bow', by: 'player', bowId: spare });
    const card = { id: spare, kind: 'bow' as const, version: 1, facts: { ...facts, instrumentIds: [heron.id] } };
    openTestHousehold([heron], [over], [card]);
    const hook = inRound();
    await hook.after(({ answer }) => answer('good'));
    expect(entered()[0]!.payload).toMatchObject({ look: 'stick', bowId: spare });
  });

  it('taken back before the first answer, the round was never begun', async () => {
    const over = began(2);
    openTestHousehold([heron], [over]);
    const hook = inRound();
    await hook.after(({ undo }) => undo());
    expect(takeBack).toHaveBeenCalledWith([{ id: over.id, instrumentId: heron.id }]);
    expect(router.replace).toHaveBeenCalledWith('/bench/look');
  });
});

describe('what a look-over found', () => {
  const over = began(12, 'full');
  const rehaired = anEvent(heron, 'rehaired', TONIGHT - 300 * DAY, { reason: 'worn', known: true });
  const events: LogEvent[] = [
    ...evenings(heron, 120),
    rehaired,
    over,
    anEvent(heron, 'looked-at', TONIGHT - 9 * MINUTE, seen('seams', 'act', over.id, { zone: 'whole' })),
    anEvent(heron, 'looked-at', TONIGHT - 8 * MINUTE, seen('pegs', 'watch', over.id, { zone: 'pegs' })),
    anEvent(
      heron,
      'looked-at',
      TONIGHT - 7 * MINUTE,
      seen('hair-band', 'act', over.id, {
        zone: 'bow-hair',
        figures: [{ figure: 'bow-band-mid', value: 50 }],
      }),
    ),
    anEvent(heron, 'looked-at', TONIGHT - 6 * MINUTE, seen('strings', 'good', over.id)),
    anEvent(heron, 'look-over-ended', TONIGHT - 2 * MINUTE, { overId: over.id }),
  ];
  const ended = () => {
    openTestHousehold([heron], events);
    return runHook(() => {
      const assessment = useAssessment(heron);
      return useLooked(heron, assessment, assessment.log.lookOvers[0]!);
    });
  };

  it('the worst first, with what it changes: hair pulled in, a visit wanted, strings proven', () => {
    const { now } = ended();
    expect(now.found.map(({ finding }) => finding.look)).toEqual(['hair-band', 'seams', 'pegs']);
    expect(now.ms).toBe(10 * MINUTE);
    expect(now.good).toEqual(['strings']);
    expect(now.skipped).toContain('post');
    expect(now.hair.verdict).toBe('rehair');
    expect(now.hair.moved!.after.middle).toBeLessThan(now.hair.moved!.before.middle);
    expect(now.strings.proven).toBe(true);
    expect(now.visit.pressed!.middle).toBeLessThan(TONIGHT + 10 * DAY);
    // Hair is for the workshop too, and what is only watched waits for it.
    expect(now.visit.joins).toBe(3);
  });

  it('stands on the plate and in a list of its own; one thing is a line that can be settled', async () => {
    openTestHousehold([heron], events);
    const list = runHook(() => useFindings(heron)).now;
    expect(list.open).toHaveLength(3);
    expect(marksOf(list.open.map(({ finding }) => finding)).map(({ zone, verdict }) => [zone, verdict])).toEqual([
      ['bow-hair', 'act'],
      ['whole', 'act'],
      ['pegs', 'watch'],
    ]);
    const one = runHook(() => useLook(heron, 'seams'));
    expect(one.now.line).toHaveLength(1);
    await one.after(({ settle }) => settle('mended'));
    expect(drafts()).toEqual([{ type: 'finding-settled', payload: { findingId: events.at(-5)!.id, how: 'mended' } }]);
    expect(runHook(() => useLook(heron, 'no such look')).now.guide).toBeNull();
  });
});

test('what is found on a bow that is not in hand is told by its name, and forbids playing with that one alone', () => {
  const spare = '00000000-0000-4000-8000-0000000000b8';
  const facts = { title: 'Spare', ownOf: null, instrumentIds: [heron.id], use: 'seldom', gone: false } as const;
  const found = anEvent(heron, 'looked-at', TONIGHT - MINUTE, seen('stick', 'act', null, { bowId: spare }));
  const card = { id: spare, kind: 'bow' as const, version: 1, facts: { ...facts, instrumentIds: [heron.id] } };
  openTestHousehold([heron], [found], [card]);
  const { now } = runHook(() => useAssessment(heron));
  expect(now.found).toEqual([]);
  expect(now.foundAside.map(({ bow, found: open }) => [bow.title, open.map(({ look }) => look)])).toEqual([
    ['Spare', ['stick']],
  ]);
  const [{ bow, found: open } = { bow: { title: null }, found: [] }] = now.foundAside;
  expect(asideWords(bow.title!, open, heron)).toMatch(/^Spare: Stick.* \(act\)\./);
  // Settled, nothing is told of it any more.
  const mended = anEvent(heron, 'finding-settled', TONIGHT - 1000, { findingId: found.id, how: 'mended' });
  openTestHousehold([heron], [found, mended], [card]);
  expect(runHook(() => useAssessment(heron)).now.foundAside).toEqual([]);
});

test('sharp fret ends and wood at 31 %: humidify first', () => {
  const finding = { look: 'fret-ends', verdict: 'act' } as const;
  const air = { verdict: { state: 'act', side: 'dry', body: { restRh: 0.31 } } } as unknown as Parameters<
    typeof adviceOn
  >[1];
  const guide = LOOK_GUIDES.find(({ look }) => look === 'fret-ends');
  const advice = adviceOn(finding, air);
  expect(todoWords(finding, advice, guide)).toMatch(
    /^The wood is at rest at 31 %: too dry\. Humidify for days first\./,
  );
  expect(whoWords(advice)).toBe('The air first; then look again.');
  expect(whoWords(adviceOn(finding, null))).toBe('A luthier, with the next visit.');
  expect(whoWords(adviceOn({ look: 'post', verdict: 'act' }, null))).toBe('A luthier, now; do not play until then.');
});
