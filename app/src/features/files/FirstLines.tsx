import { View } from 'react-native';
import { Text } from '@/ui/Text';
import { INTAKE_COPY } from '@/copy/intake';
import { Row, Stack } from '@/ui/layout';

interface FirstLinesProps<R> {
  lines: readonly { line: number; cells: readonly string[]; fault: string | null; read: R | null }[];
  title: string;
  delimiter: string;
  /** What a line says once it is read: the first cell is the widest. */
  words: (read: R) => readonly string[];
}

/** The first lines of a file as they would be read, and those that cannot be, each with what is wrong. */
export function FirstLines<R>({ title, lines, delimiter, words }: FirstLinesProps<R>) {
  return (
    <View role="table" aria-label={title}>
      {lines.map(({ line, cells, fault, read }) => (
        <Stack key={line} role="row" padY={6} gap={2} rule="top">
          {read !== null ? (
            <Row gap="half">
              {words(read).map((text, at) => (
                <Text key={at} role="cell" kind="table" grow={at === 0 ? 3 : 1} end={at > 0}>
                  {text}
                </Text>
              ))}
            </Row>
          ) : (
            <>
              <Text role="cell" kind="small" numberOfLines={3}>
                {line > 0 ? INTAKE_COPY.raw(line, cells, delimiter) : INTAKE_COPY.bare(cells, delimiter)}
              </Text>
              {fault !== null && (
                <Text role="cell" kind="small" tone="now">
                  {fault}
                </Text>
              )}
            </>
          )}
        </Stack>
      ))}
    </View>
  );
}
