import type { LookId, Verdict } from '@tembrin/core/instruments';
import Svg from 'react-native-svg';
import { Drawn, inkOf } from '../Plate';
import { usePalette } from '../theme';
import * as body from './body-pictures';
import * as bridge from './bridge-pictures';
import * as other from './other-pictures';
import { TALL, WIDE, type Draw } from './picture';

/** The picture of each look; one that is missing does not compile. */
const PICTURES: Readonly<Record<LookId, Draw>> = {
  outside: body.outside,
  seams: body.seams,
  soundboard: body.soundboard,
  'bridge-lean': bridge.bridgeLean,
  'bridge-place': bridge.bridgePlace,
  'bridge-glued': bridge.bridgeGlued,
  'string-height': bridge.stringHeight,
  strings: bridge.stringWound,
  grooves: bridge.grooves,
  pegs: bridge.pegs,
  tuners: bridge.tuners,
  'fine-tuners': bridge.fineTuners,
  tailpiece: bridge.tailpiece,
  post: bridge.post,
  neck: body.neck,
  relief: other.relief,
  action: other.action,
  'fret-ends': other.fretEnds,
  'harp-action': other.harpAction,
  'harp-tuning': other.harpTuning,
  'chin-rest': body.chinRest,
  endpin: body.endpin,
  stick: other.stick,
  'hair-band': other.hairBand,
  'hair-count': other.hairCount,
  'hair-length': other.hairLength,
  'hair-clean': other.hairClean,
  case: body.caseShut,
};

const COLOUR = { good: 'well', watch: 'soon', act: 'now' } as const;

/** What a look can find, drawn: as it should be, to be watched, to be acted on. Decoration: the words stand beside it. */
export function LookPicture({ look, verdict, width }: { look: LookId; verdict: Verdict; width: number }) {
  const palette = usePalette();
  const { shapes, marks } = PICTURES[look](verdict);
  return (
    <Svg aria-hidden width={width} height={(width * TALL) / WIDE} viewBox={`0 0 ${WIDE} ${TALL}`}>
      {shapes.map((shape, at) => (
        <Drawn key={at} shape={shape} {...inkOf(shape, palette)} />
      ))}
      {marks.map((shape, at) => (
        <Drawn key={`mark ${at}`} shape={shape} fill="none" stroke={palette[COLOUR[verdict]]} />
      ))}
    </Svg>
  );
}
