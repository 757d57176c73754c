import { View } from 'react-native';
import { GAP, usePalette } from './theme';
import { Words } from './Words';

/** A table of two columns: what, and how much. */
export function Figures({ rows }: { rows: readonly (readonly [label: string, value: string])[] }) {
  const { line } = usePalette();
  return (
    <View role="table" aria-label="Figures">
      {rows.map(([label, value]) => (
        <View
          key={label}
          role="row"
          style={{
            flexDirection: 'row',
            alignItems: 'baseline',
            gap: GAP.one,
            paddingVertical: GAP.small,
            borderBottomWidth: 1,
            borderBottomColor: line,
          }}
        >
          <Words role="rowheader" kind="small" tone="quiet" style={{ flex: 2 }}>
            {label}
          </Words>
          <Words role="cell" kind="table" style={{ flex: 3 }}>
            {value}
          </Words>
        </View>
      ))}
    </View>
  );
}
