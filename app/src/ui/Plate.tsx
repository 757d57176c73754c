import { FAMILY_FACTS, type Zone } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import Svg, { G, Path } from 'react-native-svg';
import { bowedPlates, bowPlate } from './plate/bowed';
import { guitarPlate } from './plate/guitar';
import { harpPlate } from './plate/harp';
import type { Material, PlateData, Shape } from './plate/shapes';
import { FAMILY_NAMES } from '@/words/names';
import { usePalette, type Palette } from './theme';

type Subject = Pick<Instrument, 'family' | 'kind' | 'setUp'>;

function plateOf({ family, kind, setUp }: Subject): PlateData {
  switch (family) {
    case 'violin':
    case 'viola':
      return bowedPlates[family](setUp.shoulderRest);
    case 'cello':
    case 'bass':
      return bowedPlates[family]();
    case 'guitar':
      return guitarPlate(kind === 'electric');
    case 'harp':
      return harpPlate();
  }
}

interface PlateProps {
  subject: Subject;
  height: number;
  /** The zone in hand now. */
  lit?: Zone;
  /** With its bow beside it. */
  withBow?: boolean;
  /** What the drawing says to a screen reader; decoration when left out. */
  label?: string;
}

/** The plate: an instrument drawn with its zones, one of them lit. */
export function Plate({ subject, height, lit, withBow, label }: PlateProps) {
  const palette = usePalette();
  const data = plateOf(subject);
  const [x, y, width, tall] = data.viewBox;
  const bowed = withBow && FAMILY_FACTS[subject.family].bowed;
  const bow = bowed ? bowPlate(tall) : null;
  const full = width + (bow ? 56 : 0);
  const accessible =
    label === undefined
      ? { 'aria-hidden': true }
      : { role: 'img' as const, 'aria-label': `${FAMILY_NAMES[subject.family]}: ${label}` };
  return (
    <Svg {...accessible} height={height} width={(height * full) / tall} viewBox={`${x} ${y} ${full} ${tall}`}>
      <Drawing data={data} lit={lit} palette={palette} />
      {bow && (
        <G transform={`translate(${x + width + 8} ${y})`}>
          <Drawing data={bow} lit={lit} palette={palette} />
        </G>
      )}
    </Svg>
  );
}

function Drawing({ data, lit, palette }: { data: PlateData; lit: Zone | undefined; palette: Palette }) {
  const zone = lit && data.zones[lit];
  return (
    <>
      {data.shapes.map((shape) => (
        <Drawn key={shape.d} shape={shape} {...inkOf(shape, palette)} />
      ))}
      {zone?.map((shape) => (
        <Drawn
          key={shape.d}
          shape={{ ...shape, edge: shape.edge || 3 }}
          fill={shape.edge > 0 ? 'none' : palette.lit}
          stroke={shape.edge > 0 ? palette.lit : palette.accent}
          opacity={0.82}
        />
      ))}
    </>
  );
}

interface DrawnProps {
  shape: Shape;
  fill: string;
  stroke: string;
  opacity?: number;
}

function Drawn({ shape, fill, stroke, opacity }: DrawnProps) {
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
function inkOf({ fill, d }: Shape, palette: Palette): { fill: string; stroke: string } {
  const colour = materialOf(fill, palette);
  const solid = d.endsWith('Z');
  const line = fill === 'string' || fill === 'hair' || fill === 'metal' || fill === 'stick';
  return { fill: line && !solid ? 'none' : colour, stroke: line ? colour : palette.woodDark };
}

function materialOf(material: Material, { wood, woodDark, line, quiet, string, stick }: Palette): string {
  return { wood, ebony: woodDark, metal: quiet, hair: line, string, stick, none: 'none' }[material];
}
