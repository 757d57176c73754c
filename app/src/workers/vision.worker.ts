import {
  CARD_MM,
  edgesOf,
  findBow,
  findCard,
  greyOf,
  isCard,
  planeByHand,
  planeOf,
  readBow,
  readLength,
  refineCard,
  type Grey,
  type Point,
  type Quad,
} from '@tembrin/core/vision';
import type { VisionAnswer, VisionJob } from './vision-jobs';

/** Looks at a photograph, away from the thread that draws. The picture stays here from job to job. */
let picture: Grey | null = null;

const MIDDLE = 0.25;

/** Where handles begin when nothing was found: a rectangle in the middle. */
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

function opened(bitmap: ImageBitmap): Grey {
  const { width, height } = bitmap;
  const context = new OffscreenCanvas(width, height).getContext('2d', { willReadFrequently: true })!;
  context.drawImage(bitmap, 0, 0);
  bitmap.close();
  return greyOf(context.getImageData(0, 0, width, height).data, width, height);
}

function found(grey: Grey, what: 'gap' | 'length'): VisionAnswer {
  const edges = edgesOf(grey);
  const card = findCard(grey, edges);
  if (!isCard(card)) {
    const middle = [
      { x: grey.width * 0.2, y: grey.height * 0.85 },
      { x: grey.width * 0.8, y: grey.height * 0.85 },
    ] as const;
    return { kind: 'found', corners: startAt(grey), ends: middle, cardFault: card, fault: null };
  }
  const plane = planeOf(card);
  const across = (share: number): Point => ({ x: grey.width * share, y: grey.height / 2 });
  if (what === 'length')
    return { kind: 'found', corners: card.corners, ends: [across(0.3), across(0.7)], cardFault: null, fault: null };
  const bow = findBow(grey, plane, edges);
  return typeof bow === 'string'
    ? { kind: 'found', corners: card.corners, ends: [across(0.2), across(0.8)], cardFault: null, fault: bow }
    : { kind: 'found', corners: card.corners, ends: bow.hair, cardFault: null, fault: null };
}

/** How near a corner set by hand is to the card's own, px of the picture. */
const NEAR_PX = 8;

function read(grey: Grey, { what, corners, ends }: Extract<VisionJob, { kind: 'read' }>): VisionAnswer {
  try {
    const fitted = refineCard(grey, corners, NEAR_PX);
    const plane = isCard(fitted) ? planeOf(fitted) : planeByHand(corners, 1);
    if (what === 'length')
      return { kind: 'read', reading: readLength(plane, ends[0], ends[1]), narrowest: null, fault: null };
    const bow = readBow(grey, plane, ends[0], ends[1]);
    return typeof bow === 'string'
      ? { kind: 'read', reading: null, narrowest: null, fault: bow }
      : { kind: 'read', reading: bow.gap, narrowest: bow.narrowest, fault: null };
  } catch {
    return { kind: 'read', reading: null, narrowest: null, fault: 'corners' };
  }
}

self.onmessage = ({ data }: MessageEvent<VisionJob>) => {
  if (data.kind === 'open') {
    picture = opened(data.bitmap);
    self.postMessage(found(picture, data.what));
  } else if (picture) {
    self.postMessage(read(picture, data));
  }
};
