import type { Instrument } from '@tembrin/contract';
import { useId } from 'react';
import Svg, { Circle, Defs, G, Path, Pattern, Rect } from 'react-native-svg';
import { bowedPlates, bowPlate } from './plate/bowed';
import { guitarPlate, type GuitarForm } from './plate/guitar';
import { harpPlate } from './plate/harp';
import type { Material, PlateData, Shape } from './plate/shapes';
import { FAMILY_NAMES } from '@/copy/names';
import { usePalette, type Palette } from './theme';
import { isBowed, type Verdict, type Zone } from '@tembrin/core/instruments';
import type { ResidueState } from '@tembrin/core/care';

type Subject = Pick<Instrument, 'family' | 'kind' | 'setUp' | 'stringCount'>;

/** Strings that can be told apart on a plate. */
const DRAWN = { bowed: [4, 6], plucked: [2, 12] } as const;
const drawnOf = (count: number, [least, most]: readonly [number, number]) => Math.min(most, Math.max(least, count));

/** How a guitar is built. */
const formOf = (kind: Subject['kind']): GuitarForm =>
  kind === 'classical' || kind === 'electric' || kind === 'bass-guitar' ? kind : 'steel';

function plateOf({ family, kind, setUp, stringCount }: Subject): PlateData {
  switch (family) {
    case 'violin':
    case 'viola':
      return bowedPlates[family](setUp.shoulderRest !== 'none', drawnOf(stringCount, DRAWN.bowed));
    case 'cello':
    case 'bass':
      return bowedPlates[family](drawnOf(stringCount, DRAWN.bowed));
    case 'guitar':
      return guitarPlate(formOf(kind), drawnOf(stringCount, DRAWN.plucked));
    case 'harp':
      return harpPlate(kind === 'pedal');
  }
}

/** What lies on zones: how hard the residue there is. */
export type ZoneMarks = Readonly<Partial<Record<Zone, Exclude<ResidueState, 'clean'>>>>;

/** Something found, as it stands on the plate. */
export interface PlateMark {
  key: string;
  zone: Zone;
  /** Where it was pointed out: shares of the plate's width and height; null: somewhere in its zone. */
  point: { x: number; y: number } | null;
  verdict: Exclude<Verdict, 'good'>;
}

interface PlateProps {
  subject: Subject;
  height: number;
  /** The zone in hand now. */
  lit?: Zone;
  /** Residue on zones, drawn as specks: the harder, the denser. */
  marks?: ZoneMarks;
  /** A tap on one of these zones. The same choice must stand beside the plate as a button. */
  onZone?: (zone: Zone) => void;
  /** Zones a tap can mean; those marked when left out. */
  zones?: readonly Zone[];
  /** With its bow beside it. */
  withBow?: boolean;
  /** What was found, each a wedge or a lozenge as its state is told elsewhere. */
  found?: readonly PlateMark[];
  /** What the drawing says to a screen reader; decoration when left out. */
  label?: string;
}

/** The plate: an instrument drawn with its zones; one of them lit, some of them specked. A left-handed one is its mirror image. */
export function Plate({ subject, height, lit, marks, onZone, zones, withBow, found = [], label }: PlateProps) {
  const palette = usePalette();
  const id = useId().replaceAll(/\W/g, '');
  const data = plateOf(subject);
  const [x, y, width, tall] = data.viewBox;
  const bowed = withBow && isBowed(subject.family);
  const bow = bowed ? bowPlate(tall) : null;
  const full = width + (bow ? 56 : 0);
  const accessible =
    label === undefined
      ? { 'aria-hidden': true }
      : { role: 'img' as const, 'aria-label': `${FAMILY_NAMES[subject.family]}: ${label}` };
  const tapped = zones ?? (Object.keys(marks ?? {}) as Zone[]);
  const drawing = { lit, marks, palette, specks: id, onZone, tapped };
  return (
    <Svg {...accessible} height={height} width={(height * full) / tall} viewBox={`${x} ${y} ${full} ${tall}`}>
      {marks && <Specks id={id} palette={palette} />}
      <G transform={subject.setUp.leftHanded ? `translate(${2 * x + full} 0) scale(-1 1)` : undefined}>
        <Drawing {...drawing} data={data} />
        <Found data={data} found={found} size={tall / 34} palette={palette} />
        {bow && (
          <G transform={`translate(${x + width + 8} ${y})`}>
            <Drawing {...drawing} data={bow} />
            <Found data={bow} found={found.filter(({ point }) => point === null)} size={tall / 34} palette={palette} />
          </G>
        )}
      </G>
    </Svg>
  );
}

/** The size of a plate at a height, without its bow, px. */
export function plateWidth(subject: Subject, height: number): number {
  const [, , width, tall] = plateOf(subject).viewBox;
  return (height * width) / tall;
}

/** Marks of what was found; several in one zone stand beside each other. */
function Found({
  data: { viewBox, anchors },
  found,
  size,
  palette,
}: {
  data: PlateData;
  found: readonly PlateMark[];
  size: number;
  palette: Palette;
}) {
  const [x, y, width, tall] = viewBox;
  const used = new Map<Zone, number>();
  return found.map(({ key, zone, point, verdict }) => {
    const anchor = anchors[zone];
    if (!anchor && !point) return null;
    const nth = used.get(zone) ?? 0;
    if (!point) used.set(zone, nth + 1);
    const [cx, cy] = point ? [x + point.x * width, y + point.y * tall] : [anchor![0] + nth * size * 2.2, anchor![1]];
    const shape =
      verdict === 'act'
        ? `M${cx} ${cy - size}L${cx + size} ${cy}L${cx} ${cy + size}L${cx - size} ${cy}Z`
        : `M${cx} ${cy - size}L${cx + size} ${cy + size * 0.8}H${cx - size}Z`;
    return (
      <Path
        key={key}
        d={shape}
        fill={palette[verdict === 'act' ? 'now' : 'soon']}
        stroke={palette.surface}
        strokeWidth={size / 3.2}
        strokeLinejoin="round"
      />
    );
  });
}

/** Patterns for residue. Its colour says nothing that its density does not. */
function Specks({ id, palette }: { id: string; palette: Palette }) {
  const specks = (
    state: Exclude<ResidueState, 'clean'>,
    tile: number,
    radius: number,
    dots: readonly (readonly [number, number])[],
    colour: string,
  ) => (
    <Pattern key={state} id={`${id}-${state}`} width={tile} height={tile} patternUnits="userSpaceOnUse">
      {state !== 'fresh' && <Rect width={tile} height={tile} fill={palette.surface} fillOpacity={0.5} />}
      {dots.map(([cx, cy]) => (
        <Circle key={`${cx} ${cy}`} cx={cx} cy={cy} r={radius} fill={colour} />
      ))}
    </Pattern>
  );
  return (
    <Defs>
      {specks(
        'fresh',
        13,
        1.5,
        [
          [3, 3],
          [9, 9],
        ],
        palette.speck,
      )}
      {specks(
        'settling',
        9,
        1.9,
        [
          [2, 2],
          [6.5, 3.5],
          [3.5, 7],
        ],
        palette.soon,
      )}
      {specks(
        'caked',
        6,
        2,
        [
          [1.6, 1.6],
          [4.6, 4.4],
        ],
        palette.now,
      )}
    </Defs>
  );
}

interface DrawingProps {
  data: PlateData;
  palette: Palette;
  lit?: Zone;
  marks?: ZoneMarks;
  /** Prefix of the patterns' ids. */
  specks?: string;
  onZone?: (zone: Zone) => void;
  tapped?: readonly Zone[];
}

/** The shapes of a plate, to be set into a drawing. */
export function Drawing({ data, lit, marks, palette, specks, onZone, tapped = [] }: DrawingProps) {
  const zone = lit && data.zones[lit];
  return (
    <>
      {data.shapes.map((shape) => (
        <Drawn key={shape.d} shape={shape} {...inkOf(shape, palette)} />
      ))}
      {Object.entries(marks ?? {}).map(([id, state]) =>
        data.zones[id as Zone]?.map((shape) => {
          const fill = `url(#${specks}-${state})`;
          return (
            <Drawn
              key={id + shape.d}
              shape={{ ...shape, edge: shape.edge > 0 ? shape.edge + 4 : 0 }}
              fill={shape.edge > 0 ? 'none' : fill}
              stroke={shape.edge > 0 ? fill : 'none'}
            />
          );
        }),
      )}
      {zone?.map((shape) => (
        <Drawn
          key={shape.d}
          shape={{ ...shape, edge: shape.edge || 3 }}
          fill={shape.edge > 0 ? 'none' : palette.lit}
          stroke={shape.edge > 0 ? palette.lit : palette.accent}
          opacity={0.82}
        />
      ))}
      {onZone &&
        tapped.map((id) =>
          data.zones[id]?.map((shape) => (
            <Drawn
              key={id + shape.d}
              shape={{ ...shape, edge: Math.max(shape.edge, 14) }}
              fill={shape.edge > 0 ? 'none' : 'transparent'}
              stroke="transparent"
              onPress={() => onZone(id)}
            />
          )),
        )}
    </>
  );
}

interface DrawnProps {
  shape: Shape;
  fill: string;
  stroke: string;
  opacity?: number;
  onPress?: () => void;
}

export function Drawn({ shape, fill, stroke, opacity, onPress }: DrawnProps) {
  const { d, edge, mirrored } = shape;
  const drawn = (
    <Path
      d={d}
      fill={fill}
      stroke={edge > 0 ? stroke : 'none'}
      strokeWidth={edge}
      strokeLinejoin="round"
      strokeLinecap="round"
      opacity={opacity}
      onPress={onPress}
    />
  );
  if (!mirrored) return drawn;
  return (
    <>
      {drawn}
      <G transform="scale(-1 1)">{drawn}</G>
    </>
  );
}

/** Wood and ebony are filled and outlined; strings, hair and metal lines are drawn in their own colour. */
export function inkOf({ fill, d }: Shape, palette: Palette): { fill: string; stroke: string } {
  const colour = materialOf(fill, palette);
  const solid = d.endsWith('Z');
  const line = fill === 'string' || fill === 'hair' || fill === 'metal' || fill === 'stick';
  return { fill: line && !solid ? 'none' : colour, stroke: line ? colour : palette.woodDark };
}

function materialOf(material: Material, { wood, woodDark, line, quiet, string, stick }: Palette): string {
  return { wood, ebony: woodDark, metal: quiet, hair: line, string, stick, none: 'none' }[material];
}
