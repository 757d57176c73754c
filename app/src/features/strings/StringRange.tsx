import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { Field } from '@/ui/Field';
import { noteNames } from '@/copy/strings';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/strings/string-range';

/** Strings of a harp from one to another, by their numbers from the top; nothing typed means none. */
export function StringRange({
  instrument,
  onChange,
  empty,
}: {
  instrument: Instrument;
  onChange: (positions: number[]) => void;
  /** Begin with nothing chosen, instead of with all. */
  empty?: boolean;
}) {
  const count = instrument.stringCount;
  const names = noteNames(instrument);
  const [from, setFrom] = useState(empty ? '' : '1');
  const [to, setTo] = useState(empty ? '' : String(count));
  const inside = (text: string) => /^\d+$/.test(text.trim()) && Number(text) >= 1 && Number(text) <= count;
  const set = (a: string, b: string) => {
    const [low, high] = [Number(a), Number(b)];
    if (!inside(a) || !inside(b) || high < low) return onChange([]);
    onChange(Array.from({ length: high - low + 1 }, (_, at) => count - (low + at)));
  };
  const hint = (text: string) => (inside(text) ? names[count - Number(text)] : undefined);
  const wrong = (text: string) => (text.trim() === '' || inside(text) ? undefined : copy.theStringsAreNumbered(count));
  const upside = inside(from) && inside(to) && Number(to) < Number(from);
  return (
    <Stack gap="small">
      <Field
        label={copy.fromStringNumber}
        hint={hint(from)}
        inputMode="numeric"
        value={from}
        onChangeText={(text) => {
          setFrom(text);
          set(text, to);
        }}
        error={wrong(from)}
      />
      <Field
        label={copy.toStringNumber}
        hint={hint(to)}
        inputMode="numeric"
        value={to}
        onChangeText={(text) => {
          setTo(text);
          set(from, text);
        }}
        error={wrong(to) ?? (upside ? copy.theHigherNumberComes : undefined)}
      />
    </Stack>
  );
}
