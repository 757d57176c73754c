import Svg, { Circle, Line, Path, Rect } from 'react-native-svg';
import { beatsWords, centsWords } from '@/copy/strings';
import { beatsBetween } from '@tembrin/core/sound';
import { Stack } from './layout';
import { usePalette } from './theme';

const WIDE = 340;
const TALL = 132;
const [LEFT, RIGHT, MIDDLE] = [26, 314, 66] as const;
/** Cents at which the strings stand two thirds as far apart as they can. */
const SOFT_CENTS = 30;
const FARTHEST = 46;
/** Within so many cents they lie together. */
const TOGETHER_CENTS = 3;
/** More swells than these cannot be told apart. */
const MOST_SWELLS = 14;
const SWELL = 9;

interface UnisonProps {
  /** What is heard against what is wanted; null: nothing. */
  heard: { cents: number; hz: number; wantedHz: number } | null;
}

/** How far the end of the heard string stands off the other, px; above it when sharp. */
const standsOff = (cents: number) => -Math.tanh(cents / SOFT_CENTS) * FARTHEST;

/** The heard string as it swells with the beats, one swell for each beat of a second. */
function swelling(end: number, beats: number): string {
  const swells = Math.min(MOST_SWELLS, Math.round(beats));
  if (swells === 0) return '';
  const point = (share: number, side: number) => {
    const [x, y] = [LEFT + share * (RIGHT - LEFT), MIDDLE + share * end];
    return `${x.toFixed(1)} ${(y + side * SWELL * Math.abs(Math.sin(Math.PI * swells * share))).toFixed(1)}`;
  };
  const shares = Array.from({ length: swells * 12 + 1 }, (_, at) => at / (swells * 12));
  const back = [...shares].reverse();
  return `M${shares.map((share) => point(share, -1)).join('L')}L${back.map((share) => point(share, 1)).join('L')}Z`;
}

/** Two strings: the one that is wanted, and the one that is heard; they come to lie together, and their beats become fewer. */
export function Unison({ heard }: UnisonProps) {
  const palette = usePalette();
  const beats = heard ? beatsBetween(heard.hz, heard.wantedHz) : 0;
  const end = heard ? standsOff(heard.cents) : 0;
  const together = heard !== null && Math.abs(heard.cents) < TOGETHER_CENTS;
  const label = heard ? `${centsWords(heard.cents)}, ${beatsWords(beats)}` : 'Nothing heard';
  const colour = together ? palette.well : palette.accent;
  return (
    <Stack role="img" aria-label={label} align="center" full>
      <Svg width="100%" height={TALL} viewBox={`0 0 ${WIDE} ${TALL}`} aria-hidden>
        <Rect x={RIGHT} y={MIDDLE - FARTHEST - 10} width={9} height={2 * FARTHEST + 20} rx={3} fill={palette.wood} />
        <Line
          x1={LEFT}
          x2={RIGHT}
          y1={MIDDLE}
          y2={MIDDLE}
          stroke={heard ? palette.well : palette.edge}
          strokeWidth={3}
        />
        {heard && (
          <>
            <Path d={swelling(end, beats)} fill={colour} opacity={0.25} />
            <Path
              d={`M${LEFT} ${MIDDLE}L${RIGHT} ${MIDDLE + end}`}
              stroke={colour}
              strokeWidth={together ? 6 : 3.5}
              strokeLinecap="round"
            />
            <Circle cx={RIGHT + 4} cy={MIDDLE + end} r={6} fill={colour} />
          </>
        )}
        <Circle cx={LEFT - 8} cy={MIDDLE} r={11} fill={palette.stick} />
        <Circle cx={LEFT - 8} cy={MIDDLE} r={3} fill={palette.ground} />
      </Svg>
    </Stack>
  );
}
