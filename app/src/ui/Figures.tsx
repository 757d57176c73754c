import { View } from 'react-native';
import { Text } from './Text';
import { Row } from './layout';

/** A table of two columns: what, and how much. */
export function Figures({ rows }: { rows: readonly (readonly [label: string, value: string])[] }) {
  return (
    <View role="table" aria-label="Figures">
      {rows.map(([label, value]) => (
        <Row key={label} role="row" padY="small" gap="one" align="baseline" rule="bottom">
          <Text role="rowheader" kind="small" tone="quiet" grow={2}>
            {label}
          </Text>
          <Text role="cell" kind="table" grow={3}>
            {value}
          </Text>
        </Row>
      ))}
    </View>
  );
}
