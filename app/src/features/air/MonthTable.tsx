import { View } from 'react-native';
import type { AirPoint } from '@/ui/AirChart';
import { Text } from '@/ui/Text';
import { monthsOf } from './chart-points';
import { Row } from '@/ui/layout';
import { copy } from '@/copy/screens/air/month-table';

interface MonthTableProps {
  points: readonly AirPoint[];
  bandAt: (point: AirPoint) => { low: number; high: number } | null;
  timeZone: string;
}

const percentWords = (share: number) => String(Math.round(share * 100));
const HEADS = ['Month', 'Low', 'Mean', 'High', 'Wood', 'In band'] as const;

/** The same year as a table: a row a month. */
export function MonthTable({ points, bandAt, timeZone }: MonthTableProps) {
  const rows = monthsOf(points, bandAt, timeZone).map(({ month, air, wood, inside, known }) => [
    month,
    ...(air ? [air.low, air.rh, air.high].map(percentWords) : ['–', '–', '–']),
    wood === null ? '–' : percentWords(wood),
    known === 0 ? '–' : `${inside} of ${known} d`,
  ]);
  /** The first and the last column hold words. */
  const room = (at: number) => (at === 0 || at === 5 ? 2.2 : 1);
  return (
    <View role="table" aria-label={copy.theYearByMonths}>
      <Row role="row" padY="hair" gap="small">
        {HEADS.map((head, at) => (
          <Text key={head} role="columnheader" kind="tiny" tone="quiet" grow={room(at)}>
            {head}
          </Text>
        ))}
      </Row>
      {rows.map((row) => (
        <Row key={row[0]} role="row" padY={6} gap="small" rule="top">
          {row.map((text, at) => (
            <Text key={HEADS[at]} role={at === 0 ? 'rowheader' : 'cell'} kind="tableTight" grow={room(at)}>
              {text}
            </Text>
          ))}
        </Row>
      ))}
    </View>
  );
}
