import {
  CARD_MM,
  edgesOf,
  findBow,
  findBridge,
  findCard,
  greyOf,
  isCard,
  keptPhoto,
  LONGEST_SIDE,
  MOST_KEPT_BYTES,
  planeByHand,
  planeOf,
  readBand,
  readBow,
  readCamber,
  readLean,
  readLength,
  refineCard,
  withoutNotes,
  type CardPlane,
  type Grey,
  type Point,
  type Quad,
} from '@tembrin/core/vision';
import { HANDLES, type Measured, type VisionAnswer, type VisionJob } from './vision-jobs';

/** Looks at a photograph, away from the thread that draws. The picture stays here from job to job. */
let picture: Grey | null = null;

type Asked = Pick<Extract<VisionJob, { kind: 'look' }>, 'what' | 'tailpiece'>;
type Found = Extract<VisionAnswer, { kind: 'found' }>;
type Read = Extract<VisionAnswer, { kind: 'read' }>;

const MIDDLE = 0.25;

/** Where the card's corners begin when it was not found: a rectangle in the middle. */
function startAt({ width, height }: Grey): Quad {
  const [left, right] = [width * MIDDLE, width * (1 - MIDDLE)];
  const tall = ((right - left) * CARD_MM.short) / CARD_MM.long;
  const top = (height - tall) / 2;
  return [
    { x: left, y: top },
    { x: right, y: top },
    { x: right, y: top + tall },
    { x: left, y: top + tall },
  ];
}

/** Where handles begin when nothing was found, as shares of the picture. */
const STARTS: Readonly<Record<Measured, readonly (readonly [x: number, y: number])[]>> = {
  gap: [
    [0.2, 0.85],
    [0.8, 0.85],
  ],
  length: [
    [0.3, 0.85],
    [0.7, 0.85],
  ],
  lean: [
    [0.25, 0.7],
    [0.75, 0.7],
    [0.5, 0.66],
    [0.5, 0.4],
  ],
  band: [
    [0.42, 0.35],
    [0.58, 0.35],
    [0.4, 0.65],
    [0.6, 0.65],
  ],
  camber: [
    [0.15, 0.8],
    [0.85, 0.8],
    [0.5, 0.7],
  ],
};

/** A photograph from a file, upright, its longer side `LONGEST_SIDE` at most. @throws where this browser cannot open it */
async function openedFrom(file: Blob): Promise<OffscreenCanvas> {
  const whole = await createImageBitmap(file, { imageOrientation: 'from-image' });
  const scale = Math.min(1, LONGEST_SIDE / Math.max(whole.width, whole.height));
  const [width, height] = [Math.round(whole.width * scale), Math.round(whole.height * scale)];
  const small =
    scale === 1
      ? whole
      : await createImageBitmap(whole, { resizeWidth: width, resizeHeight: height, resizeQuality: 'medium' });
  const canvas = new OffscreenCanvas(width, height);
  canvas.getContext('2d', { willReadFrequently: true })!.drawImage(small, 0, 0);
  for (const each of new Set([whole, small])) each.close();
  return canvas;
}

/** The picture no larger than a phone shows it: the thread that draws has less to do. */
function shownFrom(canvas: OffscreenCanvas): Promise<ImageBitmap> {
  const scale = Math.min(1, MOST_SHOWN / Math.max(canvas.width, canvas.height));
  const size = { resizeWidth: Math.round(canvas.width * scale), resizeHeight: Math.round(canvas.height * scale) };
  return createImageBitmap(canvas, { ...size, resizeQuality: 'medium' });
}
const MOST_SHOWN = 900;

function greyIn(canvas: OffscreenCanvas): Grey {
  const { width, height } = canvas;
  const context = canvas.getContext('2d', { willReadFrequently: true })!;
  return greyOf(context.getImageData(0, 0, width, height).data, width, height);
}

/** How finely a photograph is written, tried one after another until it is small enough. From memory. */
const QUALITIES = [0.85, 0.7, 0.5];

/** A picture as it is kept: written anew, without a trace of place, time or camera; null where this browser cannot. */
async function writtenFrom(canvas: OffscreenCanvas): Promise<Uint8Array | null> {
  for (const quality of QUALITIES) {
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality });
    const bytes = withoutNotes(new Uint8Array(await blob.arrayBuffer()));
    if (bytes && typeof keptPhoto(bytes) !== 'string' && bytes.length <= MOST_KEPT_BYTES) return bytes;
  }
  return null;
}

function found(grey: Grey, { what, tailpiece }: Asked): Found {
  const edges = edgesOf(grey);
  const card = findCard(grey, edges);
  const plane = isCard(card) ? planeOf(card) : null;
  const points = STARTS[what].map(([x, y]) => ({ x: x * grey.width, y: y * grey.height }));
  const begin = { kind: 'found', points, cardFault: null, fault: null, open: 'points' } as const;
  if (!plane && HANDLES[what].card)
    return { ...begin, corners: startAt(grey), cardFault: isCard(card) ? null : card, open: 'all' };
  const corners = plane?.card.corners ?? null;
  if (what === 'gap') {
    const bow = findBow(grey, plane!, edges);
    return typeof bow === 'string'
      ? { ...begin, corners, fault: bow }
      : { ...begin, corners, points: bow.hair, open: 'none' };
  }
  if (what === 'lean') {
    const bridge = findBridge(grey, tailpiece, plane, edges);
    return typeof bridge === 'string'
      ? { ...begin, corners, fault: bridge }
      : { ...begin, corners, points: [...bridge.top, ...bridge.face], open: 'none' };
  }
  return { ...begin, corners };
}

/** How near a corner set by hand is to the card's own, px of the picture. */
const NEAR_PX = 8;

/** The plane of a card whose corners stand near its own, or where they were set. @throws where they are none */
function planeAt(grey: Grey, corners: Quad): CardPlane {
  const fitted = refineCard(grey, corners, NEAR_PX);
  return isCard(fitted) ? planeOf(fitted) : planeByHand(corners, 1);
}

const nothing = (fault: Read['fault']): Read => ({ kind: 'read', reading: null, seen: [], fault });

function read(grey: Grey, { what, tailpiece, corners, points }: Extract<VisionJob, { kind: 'read' }>): Read {
  const [p, q, r, s] = points as [Point, Point, Point, Point];
  try {
    const plane = corners && planeAt(grey, corners);
    if (what === 'lean') {
      const lean = readLean(
        grey,
        [
          [p, q],
          [r, s],
        ],
        tailpiece,
        plane,
        NEAR_PX,
      );
      if (typeof lean === 'string') return nothing(lean);
      return { kind: 'read', reading: lean.angle, seen: [lean.top, lean.face], fault: null };
    }
    if (what === 'band') {
      const band = readBand(grey, [p, q], [r, s], plane);
      return band
        ? { kind: 'read', reading: band.band, seen: [band.hair, band.ferrule], fault: null }
        : nothing('no-bow');
    }
    if (!plane) return nothing('corners');
    if (what === 'length') return { kind: 'read', reading: readLength(plane, p, q), seen: [], fault: null };
    if (what === 'camber') return { kind: 'read', reading: readCamber(plane, p, q, r), seen: [], fault: null };
    const bow = readBow(grey, plane, p, q);
    return typeof bow === 'string'
      ? nothing(bow)
      : { kind: 'read', reading: bow.gap, seen: [bow.narrowest], fault: null };
  } catch {
    return nothing('corners');
  }
}

const answer = (told: VisionAnswer, ...transferred: Transferable[]) =>
  self.postMessage(told, { transfer: transferred });

async function open({ file, ...asked }: Extract<VisionJob, { kind: 'open' }>): Promise<void> {
  picture = null;
  let canvas: OffscreenCanvas;
  try {
    canvas = await openedFrom(file);
  } catch {
    return answer({ kind: 'not-opened' });
  }
  picture = greyIn(canvas);
  const [whole, shown] = await Promise.all([createImageBitmap(canvas), shownFrom(canvas)]);
  answer({ kind: 'opened', whole, shown }, whole, shown);
  answer(found(picture, asked));
}

async function write(file: Blob): Promise<void> {
  try {
    answer({ kind: 'written', bytes: await writtenFrom(await openedFrom(file)) });
  } catch {
    answer({ kind: 'not-opened' });
  }
}

self.onmessage = ({ data }: MessageEvent<VisionJob>) => {
  if (data.kind === 'open') return void open(data);
  if (data.kind === 'write') return void write(data.file);
  if (picture) answer(data.kind === 'look' ? found(picture, data) : read(picture, data));
};
