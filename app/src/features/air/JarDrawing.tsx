import Svg, { Circle, Path, Rect } from 'react-native-svg';
import { usePalette } from '@/ui/theme';
import { humidityWords } from '@/copy/measures';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/air/jar-drawing';

/** A sealed jar with a cap of wet salt and a hygrometer beside it. */
export function JarDrawing({ rh }: { rh: number }) {
  const palette = usePalette();
  return (
    <Stack role="img" aria-label={copy.aSealedJarWith(rh)} align="center">
      <Svg width={220} height={168} viewBox="0 0 220 168" aria-hidden>
        <Rect x={44} y={8} width={132} height={20} rx={4} fill={palette.woodDark} />
        <Path
          d="M52 28H168C168 40 182 44 182 60V146C182 156 174 162 164 162H56C46 162 38 156 38 146V60C38 44 52 40 52 28Z"
          fill={palette.surface}
          stroke={palette.edge}
          strokeWidth={2.5}
        />
        <Path d="M62 128H106L101 154H67Z" fill={palette.stick} />
        <Path d="M62 128C70 118 78 124 84 119C90 124 98 118 106 128Z" fill={palette.string} stroke={palette.edge} />
        <Circle cx={144} cy={126} r={27} fill={palette.ground} stroke={palette.text} strokeWidth={2.5} />
        <Path
          d={`M144 126L${144 + 20 * Math.cos(angle(rh))} ${126 + 20 * Math.sin(angle(rh))}`}
          stroke={palette.accent}
          strokeWidth={3}
          strokeLinecap="round"
        />
        <Circle cx={144} cy={126} r={3} fill={palette.text} />
        <Path d="M58 60C58 50 66 46 66 40" stroke={palette.line} strokeWidth={3} fill="none" />
      </Svg>
      <Text kind="title">{humidityWords(rh, 1)}</Text>
    </Stack>
  );
}

/** Where the hand of a dial stands: from seven o'clock to five. */
const angle = (rh: number) => ((120 + 300 * rh) * Math.PI) / 180;
