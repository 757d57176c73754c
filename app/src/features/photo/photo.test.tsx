import { useLocalSearchParams } from 'expo-router';
import { act as settle } from 'react';
import { act, enter, takeBack } from '@/state/actions';
import { loadPhotos } from '@/state/load-seldom';
import { useNotice } from '@/state/notice';
import { photoKey, usePhotosWaiting } from '@/state/photos-waiting';
import { anEvent, anInstrument, openTestHousehold, standAt, TONIGHT } from '@/testing/household';
import { runHook } from '@/testing/hook';
import { HANDLES, type VisionAnswer, type VisionJob } from '@/workers/vision-jobs';
import { useMeasurePhoto } from './use-measure-photo';
import { usePhotosOf } from './use-photos';

jest.mock('expo-router', () => ({
  router: { push: jest.fn(), replace: jest.fn(), canGoBack: () => false },
  useLocalSearchParams: jest.fn(() => ({})),
}));
jest.mock('@/state/actions', () => ({
  act: jest.fn(async (_id: string, drafts: unknown[]) => drafts),
  enter: jest.fn(async (events: unknown[]) => events),
  takeBack: jest.fn(async () => undefined),
}));
jest.mock('@/state/load-seldom', () => ({ loadPhotos: jest.fn() }));

const DAY = 86_400_000;
const heron = anInstrument('Heron', 'violin');
const plover = anInstrument('Plover', 'guitar', 'steel');
const hash = (digit: string) => digit.repeat(64);
const taken = (daysAgo: number, photo: string, look: 'bridge-lean' | 'seams' | null, zone: 'bridge' | null = null) =>
  anEvent(heron, 'photographed', TONIGHT - daysAgo * DAY, { photo, look, zone, findingId: null });
const putBack = jest.fn(async () => undefined);
const photos = {
  hashOf: jest.fn(() => hash('f')),
  keepPhoto: jest.fn(async () => hash('f')),
  sendPhotos: jest.fn(async () => undefined),
  removePhoto: jest.fn(async () => putBack),
  sendAgain: jest.fn(async () => undefined),
  letGo: jest.fn(),
};

beforeEach(() => {
  standAt(TONIGHT);
  jest.clearAllMocks();
  jest.mocked(loadPhotos).mockResolvedValue(photos as never);
  usePhotosWaiting.setState({}, true);
  global.fetch = jest.fn(() => Promise.reject(new TypeError('no network'))) as unknown as typeof fetch;
});
afterEach(() => jest.useRealTimers());

describe('an instrument’s photographs', () => {
  const events = [
    taken(400, hash('a'), 'bridge-lean', 'bridge'),
    taken(200, hash('b'), 'bridge-lean', 'bridge'),
    taken(30, hash('c'), 'seams'),
    taken(1, hash('a'), 'bridge-lean', 'bridge'),
  ];
  const shownDays = (model: ReturnType<typeof usePhotosOf>) =>
    model.shown.map((index) => Math.round((TONIGHT - model.photos[index]!.at) / DAY));

  it('are held beside each other by what they show: the last two, then those that are stepped to', async () => {
    openTestHousehold([heron], events);
    const hook = runHook(() => usePhotosOf(heron, undefined));
    expect(hook.now.groups.map(({ title, photos: own }) => [title, own.length])).toEqual([
      ['Bridge, upright', 3],
      ['Seams', 1],
    ]);
    expect(shownDays(hook.now)).toEqual([200, 1]);
    await hook.after(({ setSide }) => setSide(0, 0));
    expect(shownDays(hook.now)).toEqual([400, 1]);
    await hook.after(({ choose }) => choose('seams'));
    expect(shownDays(hook.now)).toEqual([30]);
  });

  it('are opened on what is asked for; a picture that two entries name stays when one of them goes', async () => {
    openTestHousehold([heron], events);
    const hook = runHook(() => usePhotosOf(heron, 'seams'));
    expect(hook.now.group?.key).toBe('seams');
    await hook.after(({ remove, photos: own }) => remove(own[0]!));
    expect(jest.mocked(enter).mock.calls[0]![0]).toMatchObject([
      { type: 'retracted', payload: { eventId: events[2]!.id } },
    ]);
    expect(photos.removePhoto).toHaveBeenLastCalledWith({ instrumentId: heron.id, photo: hash('c') });
    await useNotice.getState().notice!.undo!();
    expect(putBack).toHaveBeenCalledTimes(1);
    expect(takeBack).toHaveBeenCalledTimes(1);
    await hook.after(({ choose }) => choose('bridge-lean'));
    await hook.after(({ remove, photos: own }) => remove(own[0]!));
    expect(photos.removePhoto).toHaveBeenCalledTimes(1);
    expect(useNotice.getState().notice!.text).toMatch(/another entry has it/);
  });

  it('say what waits and what was refused; a new one is of what is shown', async () => {
    openTestHousehold([heron], events);
    const [waits, refused] = [hash('a'), hash('b')].map((photo) => photoKey({ instrumentId: heron.id, photo }));
    usePhotosWaiting.setState({ [waits!]: null, [refused!]: { type: 'x', title: 'x', status: 422, detail: 'Full.' } });
    const hook = runHook(() => usePhotosOf(heron, undefined));
    expect(hook.now.photos.map(hook.now.problemOf)).toEqual(['waits', 'Full.', 'waits']);
    await hook.after(({ add }) => add(Uint8Array.of(1)));
    expect(act).toHaveBeenCalledWith(
      heron.id,
      [{ type: 'photographed', payload: { photo: hash('f'), look: 'bridge-lean', zone: 'bridge', findingId: null } }],
      expect.any(String),
    );
    // The very same once more is none to add.
    photos.hashOf.mockReturnValueOnce(hash('b'));
    await hook.after(({ add }) => add(Uint8Array.of(1)));
    expect(act).toHaveBeenCalledTimes(1);
    expect(useNotice.getState().notice!.text).toMatch(/on record already/);
  });
});

describe('measuring by photograph', () => {
  let asked: VisionJob[];
  /** The picture as the worker writes it; null where it cannot. */
  let picture: Uint8Array | null;
  let tell: (answer: VisionAnswer) => Promise<void>;
  beforeEach(() => {
    asked = [];
    global.Worker = class {
      onmessage: ((event: { data: VisionAnswer }) => void) | null = null;
      postMessage(job: VisionJob) {
        if (job.kind === 'write')
          return queueMicrotask(() => this.onmessage?.({ data: { kind: 'written', bytes: picture } }));
        asked.push(job);
        tell = (data) => settle(async () => this.onmessage?.({ data }));
      }
      terminate() {}
    } as unknown as typeof Worker;
    jest.mocked(useLocalSearchParams).mockReturnValue({});
  });
  /** A JPEG's beginning, 640 × 480. */
  const file = new File(
    [Uint8Array.of(0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 1, 0xe0, 2, 0x80, 3, 1, 0x22, 0, 2, 0x11, 1, 3, 0x11, 1)],
    'bow.jpg',
    { type: 'image/jpeg' },
  );
  const point = (x: number, y = 0) => ({ x, y });
  const found = (more: Partial<Extract<VisionAnswer, { kind: 'found' }>>): VisionAnswer => ({
    kind: 'found',
    corners: [point(0), point(10), point(10, 5), point(0, 5)],
    points: [point(1), point(2)],
    cardFault: null,
    fault: null,
    open: 'none',
    ...more,
  });

  it('is what the page was opened for; a guitar has lengths alone', () => {
    openTestHousehold([heron, plover]);
    jest.mocked(useLocalSearchParams).mockReturnValue({ figure: 'bow-band-frog' });
    const hair = runHook(() => useMeasurePhoto(heron));
    expect([hair.now.what, hair.now.figure, hair.now.kinds.length]).toEqual(['band', 'bow-band-frog', 5]);
    jest.mocked(useLocalSearchParams).mockReturnValue({ figure: 'bridge-angle' });
    const guitar = runHook(() => useMeasurePhoto(plover));
    expect(guitar.now.kinds).toEqual(['length']);
    expect(guitar.now.figures).toEqual(expect.arrayContaining(['action', 'relief']));
  });

  it('reads at once what was found whole, and again as a handle is moved', async () => {
    openTestHousehold([heron]);
    const hook = runHook(() => useMeasurePhoto(heron));
    Object.assign(File.prototype, { slice: () => ({ arrayBuffer: () => Promise.resolve(JPEG.buffer) }) });
    await hook.after(({ take }) => take(file));
    expect(asked[0]).toMatchObject({ kind: 'open', what: 'gap' });
    await tell(found({}));
    expect(asked[1]).toMatchObject({ kind: 'read', what: 'gap', points: [point(1), point(2)] });
    await tell({ kind: 'read', reading: { value: 7.12, sd: 0.1 }, seen: [], fault: null });
    expect(hook.now.read?.reading?.value).toBe(7.12);
    await hook.after(({ move }) => move('p1', point(3)));
    expect(asked[2]).toMatchObject({ kind: 'read', points: [point(1), point(3)] });
    await tell({ kind: 'read', reading: { value: 7.5, sd: 0.1 }, seen: [], fault: null });
    await hook.after(({ record }) => record());
    expect(jest.mocked(act).mock.calls[0]![1]).toMatchObject([
      { type: 'measured', payload: { figure: 'bow-gap', value: 7.5 } },
    ]);
  });

  it('keeps its picture with the reading; a picture that cannot be written is said, one that nothing names is let go of', async () => {
    openTestHousehold([heron]);
    const hook = runHook(() => useMeasurePhoto(heron));
    Object.assign(File.prototype, { slice: () => ({ arrayBuffer: () => Promise.resolve(JPEG.buffer) }) });
    await hook.after(({ take }) => take(file));
    await tell(found({}));
    await tell({ kind: 'read', reading: { value: 7, sd: 0.1 }, seen: [], fault: null });
    await hook.after(({ setKeeps }) => setKeeps(true));
    const recordWith = (bytes: Uint8Array | null) => {
      picture = bytes;
      return hook.after(({ record }) => record());
    };
    await recordWith(null);
    expect(act).not.toHaveBeenCalled();
    expect(useNotice.getState().notice).toMatchObject({ problem: true, text: expect.stringMatching(/could not open/) });
    jest.mocked(act).mockResolvedValueOnce([]);
    await recordWith(Uint8Array.of(1));
    expect(photos.letGo).toHaveBeenCalledWith({ instrumentId: heron.id, photo: hash('f') });
    await recordWith(Uint8Array.of(1));
    expect(
      jest
        .mocked(act)
        .mock.calls.at(-1)![1]
        .map(({ type }) => type),
    ).toEqual(['measured', 'photographed']);
    expect(photos.sendPhotos).toHaveBeenCalled();
  });

  it('reads nothing before every handle was set that the device could not lay', async () => {
    openTestHousehold([heron]);
    jest.mocked(useLocalSearchParams).mockReturnValue({ figure: 'bow-camber' });
    const hook = runHook(() => useMeasurePhoto(heron));
    Object.assign(File.prototype, { slice: () => ({ arrayBuffer: () => Promise.resolve(JPEG.buffer) }) });
    await hook.after(({ take }) => take(file));
    await tell(found({ open: 'all', cardFault: 'no-card', points: [point(1), point(2), point(3)] }));
    expect(hook.now.wanting).toBe(4 + HANDLES.camber.points);
    for (const id of ['c0', 'c1', 'c2', 'c3', 'p0', 'p1']) await hook.after(({ move }) => move(id, point(4)));
    expect(asked).toHaveLength(1);
    await hook.after(({ move }) => move('p2', point(5)));
    expect(asked[1]).toMatchObject({ kind: 'read', what: 'camber' });
    // Looked at for something else, the same picture is asked again.
    await tell({ kind: 'read', reading: null, seen: [], fault: 'corners' });
    await hook.after(({ choose }) => choose('lean'));
    expect(hook.now.read).toBeNull();
  });

  it('says what a browser cannot open, and what is no picture', async () => {
    openTestHousehold([heron]);
    const hook = runHook(() => useMeasurePhoto(heron));
    Object.assign(File.prototype, { slice: () => ({ arrayBuffer: () => Promise.resolve(JPEG.buffer) }) });
    await hook.after(({ take }) => take(file));
    await tell({ kind: 'not-opened' });
    expect(hook.now.problem).toMatch(/could not open/);
    Object.assign(File.prototype, { slice: () => ({ arrayBuffer: () => Promise.resolve(new ArrayBuffer(20)) }) });
    await hook.after(({ take }) => take(file));
    expect(hook.now.problem).toMatch(/no picture/);
    expect(hook.now.looking).toBe(false);
  });
  const JPEG = Uint8Array.of(
    ...[0xff, 0xd8, 0xff, 0xc0, 0, 17, 8, 1, 0xe0, 2, 0x80, 3, 1, 0x22, 0, 2, 0x11, 1, 3, 0x11, 1, 0xff, 0xda, 0, 2],
  );
});
