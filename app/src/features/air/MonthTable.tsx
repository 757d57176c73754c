import { View } from 'react-native';
import type { AirPoint } from '@/ui/AirChart';
import { Text } from '@/ui/Text';
import { DAY_MS, localDay } from '@tembrin/core/time';
import { Row } from '@/ui/layout';
import { copy } from '@/copy/screens/air/month-table';

interface MonthTableProps {
  points: readonly AirPoint[];
  bandAt: (point: AirPoint) => { low: number; high: number } | null;
  timeZone: string;
}

const HEADS = ['Month', 'Low', 'Mean', 'High', 'Wood', 'In band'] as const;

/** The same year as a table: a row a month. */
export function MonthTable({ points, bandAt, timeZone }: MonthTableProps) {
  const months = new Map<string, AirPoint[]>();
  for (const point of points) {
    const date = new Date((localDay(point.at, timeZone) + 0.5) * DAY_MS);
    const key = date.toLocaleDateString('en-GB', { month: 'short', year: 'numeric', timeZone: 'UTC' });
    months.set(key, [...(months.get(key) ?? []), point]);
  }
  const percent = (share: number) => String(Math.round(share * 100));
  const rows = [...months].map(([month, list]) => {
    const known = list.filter(({ air }) => air !== null);
    if (known.length === 0) return [month, '–', '–', '–', '–', '–'];
    const woods = list.flatMap(({ wood }) => wood ?? []);
    const inside = known.filter((point) => {
      const band = bandAt(point);
      return band && point.air!.rh >= band.low && point.air!.rh <= band.high;
    });
    return [
      month,
      percent(Math.min(...known.map(({ air }) => air!.low))),
      percent(known.reduce((sum, { air }) => sum + air!.rh, 0) / known.length),
      percent(Math.max(...known.map(({ air }) => air!.high))),
      woods.length === 0 ? '–' : percent(woods.reduce((sum, rh) => sum + rh, 0) / woods.length),
      `${inside.length} of ${known.length} d`,
    ];
  });
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
