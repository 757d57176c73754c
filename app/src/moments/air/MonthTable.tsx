import { DAY_MS, localDay } from '@tembrin/core';
import { View } from 'react-native';
import type { AirPoint } from '@/ui/AirChart';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';

interface MonthTableProps {
  points: readonly AirPoint[];
  bandAt: (point: AirPoint) => { low: number; high: number } | null;
  timeZone: string;
}

const HEADS = ['Month', 'Low', 'Mean', 'High', 'Wood', 'In band'] as const;

/** The same year as a table: a row a month. */
export function MonthTable({ points, bandAt, timeZone }: MonthTableProps) {
  const { line } = usePalette();
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
  const cell = (at: number) => ({ flex: at === 0 ? 2.2 : at === 5 ? 2.2 : 1 });
  return (
    <View role="table" aria-label="The year by months, in percent">
      <View role="row" style={{ flexDirection: 'row', gap: GAP.small, paddingVertical: GAP.hair }}>
        {HEADS.map((head, at) => (
          <Words key={head} role="columnheader" kind="tiny" tone="quiet" style={cell(at)}>
            {head}
          </Words>
        ))}
      </View>
      {rows.map((row) => (
        <View
          key={row[0]}
          role="row"
          style={{
            flexDirection: 'row',
            gap: GAP.small,
            paddingVertical: 6,
            borderTopWidth: 1,
            borderTopColor: line,
          }}
        >
          {row.map((text, at) => (
            <Words
              key={HEADS[at]}
              role={at === 0 ? 'rowheader' : 'cell'}
              kind="table"
              style={[cell(at), { fontSize: 14 }]}
            >
              {text}
            </Words>
          ))}
        </View>
      ))}
    </View>
  );
}
