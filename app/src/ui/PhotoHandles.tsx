import { useEffect, useRef, useState, type KeyboardEvent, type PointerEvent } from 'react';
import { unstable_createElement } from 'react-native-web';
import { usePalette } from './theme';

interface Spot {
  x: number;
  y: number;
}

export interface Handle extends Spot {
  id: string;
  label: string;
}

interface PhotoHandlesProps {
  /** The picture whole, for the loupe, and as large as it is shown. */
  whole: ImageBitmap;
  shown: ImageBitmap;
  /** Width it is shown at, px. */
  width: number;
  label: string;
  /** In pixels of the picture. */
  handles: readonly Handle[];
  /** Lines scribed on the picture; a thick one is what is read. */
  lines: readonly { from: Spot; to: Spot; thick?: boolean }[];
  onMove: (id: string, to: Spot) => void;
}

const TOUCH = 44;
const LOUPE = 132;
const LARGER = 3;
const KEYS: Readonly<Record<string, readonly [number, number]>> = {
  ArrowLeft: [-1, 0],
  ArrowRight: [1, 0],
  ArrowUp: [0, -1],
  ArrowDown: [0, 1],
};

interface Scribing {
  width: number;
  /** Of the picture to what is shown. */
  scale: number;
  height: number;
  lines: PhotoHandlesProps['lines'];
  colours: readonly [under: string, over: string];
}

/** Sizes a canvas for this screen. */
function sized(context: CanvasRenderingContext2D, width: number, height: number): number {
  const ratio = window.devicePixelRatio;
  context.canvas.width = width * ratio;
  context.canvas.height = height * ratio;
  return ratio;
}

/** The scribed lines over the picture: each dark on light, so that it shows on any ground. */
function scribe(context: CanvasRenderingContext2D, { width, height, scale, lines, colours }: Scribing): void {
  const ratio = sized(context, width, height);
  context.scale(ratio, ratio);
  for (const { from, to, thick } of lines) {
    colours.forEach((colour, over) => {
      context.strokeStyle = colour;
      context.lineWidth = (thick ? 4 : 3) / (over + 1);
      context.beginPath();
      context.moveTo(from.x * scale, from.y * scale);
      context.lineTo(to.x * scale, to.y * scale);
      context.stroke();
    });
  }
}

/** What lies under a handle, larger, with a fine cross. */
function Loupe({
  picture,
  at,
  scale,
  side,
  low,
}: {
  picture: ImageBitmap;
  at: Spot;
  scale: number;
  side: 'left' | 'right';
  low: boolean;
}) {
  const { accent, text } = usePalette();
  const canvas = useRef<HTMLCanvasElement>(null);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (!context) return;
    const shown = LOUPE / LARGER / Math.max(scale, 0.3);
    context.canvas.width = LOUPE;
    context.canvas.height = LOUPE;
    context.drawImage(picture, at.x - shown / 2, at.y - shown / 2, shown, shown, 0, 0, LOUPE, LOUPE);
    context.strokeStyle = accent;
    context.beginPath();
    context.moveTo(LOUPE / 2, 0);
    context.lineTo(LOUPE / 2, LOUPE);
    context.moveTo(0, LOUPE / 2);
    context.lineTo(LOUPE, LOUPE / 2);
    context.stroke();
  }, [picture, at, scale, accent]);
  return unstable_createElement('canvas', {
    ref: canvas,
    'aria-hidden': true,
    style: {
      position: 'absolute',
      [low ? 'bottom' : 'top']: 8,
      [side]: 8,
      width: LOUPE,
      height: LOUPE,
      borderRadius: LOUPE / 2,
      border: `2px solid ${text}`,
      pointerEvents: 'none',
    },
  });
}

interface GripProps {
  handle: Handle;
  scale: number;
  held: boolean;
  onHold: (held: boolean) => void;
  onMove: (to: Spot) => void;
}

/** One handle: a ring that is dragged, or moved by the arrow keys. */
function Grip({ handle, scale, held, onHold, onMove }: GripProps) {
  const { accent, surface } = usePalette();
  const drag = ({ clientX, clientY, currentTarget }: PointerEvent<HTMLElement>) => {
    if (!held || !currentTarget.hasPointerCapture) return;
    const { left, top } = currentTarget.parentElement!.getBoundingClientRect();
    onMove({ x: (clientX - left) / scale, y: (clientY - top) / scale });
  };
  const key = (event: KeyboardEvent<HTMLElement>) => {
    const way = KEYS[event.key];
    if (!way) return;
    event.preventDefault();
    event.stopPropagation();
    const by = event.shiftKey ? 10 : 1;
    onMove({ x: handle.x + way[0] * by, y: handle.y + way[1] * by });
  };
  const release = () => onHold(false);
  return unstable_createElement('button', {
    type: 'button',
    'aria-label': handle.label,
    onPointerDown: (event: PointerEvent<HTMLElement>) => {
      event.currentTarget.setPointerCapture(event.pointerId);
      onHold(true);
    },
    onPointerMove: drag,
    onPointerUp: release,
    onPointerCancel: release,
    onFocus: () => onHold(true),
    onBlur: release,
    onKeyDown: key,
    style: {
      position: 'absolute',
      left: handle.x * scale - TOUCH / 2,
      top: handle.y * scale - TOUCH / 2,
      width: TOUCH,
      height: TOUCH,
      padding: 0,
      borderWidth: 0,
      borderRadius: TOUCH / 2,
      backgroundColor: 'transparent',
      backgroundImage: `radial-gradient(circle, transparent 7px, ${surface} 7.5px, ${accent} 8.5px, ${accent} 10px, ${surface} 10.5px, transparent 11.5px)`,
      touchAction: 'none',
      cursor: 'grab',
    },
  });
}

/** A photograph with handles that are dragged, or moved by the arrow keys; under a loupe while one is held. */
export function PhotoHandles({ whole, shown, width, label, handles, lines, onMove }: PhotoHandlesProps) {
  const { accent, surface } = usePalette();
  const ground = useRef<HTMLCanvasElement>(null);
  const canvas = useRef<HTMLCanvasElement>(null);
  const [held, setHeld] = useState<string | null>(null);
  const scale = width / whole.width;
  const height = whole.height * scale;
  useEffect(() => {
    const context = ground.current?.getContext('2d');
    if (!context) return;
    sized(context, width, height);
    context.drawImage(shown, 0, 0, context.canvas.width, context.canvas.height);
  }, [shown, width, height]);
  useEffect(() => {
    const context = canvas.current?.getContext('2d');
    if (context) scribe(context, { width, height, scale, lines, colours: [surface, accent] });
  }, [width, height, scale, lines, accent, surface]);
  const inHand = handles.find(({ id }) => id === held);
  const bounded = ({ x, y }: Spot) => ({
    x: Math.max(0, Math.min(whole.width - 1, x)),
    y: Math.max(0, Math.min(whole.height - 1, y)),
  });
  return unstable_createElement('div', {
    role: 'group',
    'aria-label': label,
    style: { position: 'relative', width, height, overflow: 'hidden' },
    children: [
      ...[ground, canvas].map((ref, at) =>
        unstable_createElement('canvas', {
          key: at,
          ref,
          'aria-hidden': true,
          style: { position: 'absolute', left: 0, top: 0, width, height },
        }),
      ),
      ...handles.map((handle) => (
        <Grip
          key={handle.id}
          handle={handle}
          scale={scale}
          held={held === handle.id}
          onHold={(on) => setHeld((now) => (on ? handle.id : now === handle.id ? null : now))}
          onMove={(to) => onMove(handle.id, bounded(to))}
        />
      )),
      inHand && (
        <Loupe
          key="loupe"
          picture={whole}
          at={inHand}
          scale={scale}
          side={inHand.x * scale < width / 2 ? 'right' : 'left'}
          low={inHand.y * scale < height / 2}
        />
      ),
    ],
  });
}
