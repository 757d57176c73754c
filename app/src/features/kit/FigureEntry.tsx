import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { MeasureChart } from '@/ui/MeasureChart';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import { measureWords } from '@/copy/measures';
import { FIGURE_DATA, type Figure } from '@tembrin/core/instruments';
import type { InstrumentLog } from '@tembrin/core/log';
import { Row, Stack } from '@/ui/layout';

/** One figure of the set-up sheet: what was measured last, how it went, and measuring it. */
export function FigureEntry({ figure, log, onMeasure }: { figure: Figure; log: InstrumentLog; onMeasure: () => void }) {
  const lengths = usePreferences((state) => state.lengths);
  const { title, how } = FIGURE_DATA[figure];
  const marks = log.measures.filter((measure) => measure.figure === figure);
  const last = marks.at(-1);
  return (
    <Stack padTop="one" gap="small" rule="top">
      <Row gap="half" align="center">
        <Stack grow>
          <Text kind="strong" level={2}>
            {title}
          </Text>
          <Text kind="small" tone="quiet">
            {last ? `measured ${dateWords(last.at, log.nowMs, log.timeZone)}` : how}
          </Text>
        </Stack>
        {last && <Text kind="title">{measureWords(figure, last.value, lengths)}</Text>}
      </Row>
      {marks.length > 1 && <MeasureChart figure={figure} marks={marks} nowMs={log.nowMs} timeZone={log.timeZone} />}
      <Button rank="outline" title="Measure" label={`Measure: ${title}`} onPress={onMeasure} start />
    </Stack>
  );
}
