import { View } from 'react-native';
import { Row } from './layout';
import { usePalette } from './theme';

export type Mark = 'done' | 'skipped' | 'open';

/** Steps as knots on a line: done ones filled, skipped ones open, the one in hand largest. */
export function RoundMarks({ label, marks, at }: { label: string; marks: readonly Mark[]; at: number }) {
  const { accent, edge, ground, line } = usePalette();
  return (
    <Row
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={marks.length}
      aria-valuenow={at}
      align="center"
      justify="between"
      grow
      height={24}
    >
      <View style={{ position: 'absolute', left: 0, right: 0, top: 11, height: 2, backgroundColor: line }} />
      {marks.map((mark, index) => {
        const size = index === at ? 20 : 12;
        return (
          <View
            key={index}
            style={{
              width: size,
              height: size,
              borderRadius: size / 2,
              borderWidth: 2,
              borderColor: mark !== 'open' || index === at ? accent : edge,
              backgroundColor: mark === 'done' ? accent : ground,
            }}
          />
        );
      })}
    </Row>
  );
}
