import { TZDate } from '@date-fns/tz';
import { format } from 'date-fns/format';
import { Choice } from '@/ui/Choice';
import { DateField } from '@/ui/Field';
import type { When } from './when';
import { Stack } from '@/ui/layout';
import { AGO, UNKNOWN } from '@/copy/screens/part/when-field';

interface WhenFieldProps {
  label: string;
  hint?: string;
  value: When;
  onChange: (when: When) => void;
  nowMs: number;
  timeZone: string;
  /** "Don’t know" is an answer too. */
  mayBeUnknown?: boolean;
}

/** Asks when something was, in a tap where that is good enough. */
export function WhenField({ label, hint, value, onChange, nowMs, timeZone, mayBeUnknown }: WhenFieldProps) {
  const today = format(new TZDate(nowMs, timeZone), 'yyyy-MM-dd');
  const chosen = value.kind === 'ago' ? String(value.months) : value.kind === 'unsaid' ? null : value.kind;
  const choose = (key: string) => {
    if (key === 'unknown') onChange({ kind: 'unknown' });
    else if (key === 'date') onChange({ kind: 'date', date: today });
    else onChange({ kind: 'ago', months: Number(key) });
  };
  return (
    <Stack gap="small">
      <Choice
        label={label}
        hint={hint}
        options={mayBeUnknown ? [...AGO, UNKNOWN] : AGO}
        value={chosen}
        onChange={choose}
      />
      {value.kind === 'date' && (
        <DateField
          type="date"
          label={`${label} Date`}
          value={value.date}
          max={today}
          onChange={(date) => onChange({ kind: 'date', date })}
        />
      )}
    </Stack>
  );
}
