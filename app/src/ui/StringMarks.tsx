import { View } from 'react-native';
import { Row } from './layout';
import { usePalette } from './theme';

interface StringMarksProps {
  label: string;
  /** Positions in the order in which they are changed. */
  order: readonly number[];
  done: ReadonlySet<number>;
  position: number | null;
}

/** A bar for each string: done ones in the accent, the one in hand thicker. */
export function StringMarks({ label, order, done, position }: StringMarksProps) {
  const { accent, line } = usePalette();
  return (
    <Row
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={order.length}
      aria-valuenow={done.size}
      gap="hair"
    >
      {order.map((each) => (
        <View
          key={each}
          style={{
            flex: 1,
            height: each === position ? 8 : 4,
            alignSelf: 'center',
            backgroundColor: done.has(each) || each === position ? accent : line,
            opacity: each === position && !done.has(each) ? 0.55 : 1,
          }}
        />
      ))}
    </Row>
  );
}
