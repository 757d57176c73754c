import { CORES, stringSpecSchema, WINDINGS, type StringSpec } from '@tembrin/core';
import { View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { GAP } from '@/ui/theme';
import { readGauge, readNumber } from '@/words/measures';
import { CORE_NAMES, WINDING_NAMES } from '@/words/strings';

/** A string as it is typed in. */
export interface SpecText {
  core: StringSpec['core'];
  winding: StringSpec['winding'];
  coated: boolean;
  gauge: string;
  tension: string;
  density: string;
}

export const EMPTY_SPEC: SpecText = {
  core: 'steel',
  winding: 'plain',
  coated: false,
  gauge: '',
  tension: '',
  density: '',
};

export function specText(spec: StringSpec | null): SpecText {
  if (!spec) return EMPTY_SPEC;
  return {
    core: spec.core,
    winding: spec.winding,
    coated: spec.coated,
    gauge: spec.gaugeMm === null ? '' : String(spec.gaugeMm),
    tension: spec.stated ? String(Math.round(spec.stated.tensionN * 10) / 10) : '',
    density: spec.densityGPerM === null ? '' : String(spec.densityGPerM),
  };
}

const NUMBER = 'Write a number, like 0.26.';

/**
 * What was typed as a string.
 * @param at the length and pitch a stated tension is for
 * @returns the string, or what is wrong by field
 */
export function readSpec(
  text: SpecText,
  at: { lengthMm: number; hz: number },
  was: StringSpec | null,
): StringSpec | { errors: Partial<Record<keyof SpecText, string>> } {
  const errors: Partial<Record<keyof SpecText, string>> = {};
  const number = (key: 'tension' | 'density') => {
    if (text[key].trim() === '') return null;
    const value = readNumber(text[key]);
    if (value === null) errors[key] = NUMBER;
    return value;
  };
  const gaugeMm = text.gauge.trim() === '' ? null : readGauge(text.gauge);
  if (text.gauge.trim() !== '' && gaugeMm === null) errors.gauge = NUMBER;
  const tension = number('tension');
  const densityGPerM = number('density');
  // A tension left as it stood keeps the length and pitch it was stated for.
  const kept = was?.stated && specText(was).tension === text.tension.trim() ? was.stated : null;
  const checked = stringSpecSchema.safeParse({
    core: text.core,
    winding: text.winding,
    coated: text.coated,
    gaugeMm,
    densityGPerM,
    stated: tension === null ? null : (kept ?? { tensionN: tension, ...at }),
    end: was?.end ?? null,
  });
  if (!checked.success) {
    for (const { path, message } of checked.error.issues) {
      const key = path[0] === 'gaugeMm' ? 'gauge' : path[0] === 'densityGPerM' ? 'density' : 'tension';
      errors[key] ??= message;
    }
  }
  return checked.success && Object.keys(errors).length === 0 ? checked.data : { errors };
}

/** Asks what a string is made of, and what its packet says. */
export function SpecFields({
  value,
  onChange,
  errors,
}: {
  value: SpecText;
  onChange: (value: SpecText) => void;
  errors: Partial<Record<keyof SpecText, string>>;
}) {
  const set = (more: Partial<SpecText>) => onChange({ ...value, ...more });
  return (
    <View style={{ gap: GAP.one }}>
      <Choice
        label="Core"
        options={CORES.map((core) => ({ value: core, title: CORE_NAMES[core] }))}
        value={value.core}
        onChange={(core) => set({ core })}
      />
      <Choice
        label="Winding"
        options={WINDINGS.map((winding) => ({ value: winding, title: WINDING_NAMES[winding] }))}
        value={value.winding}
        onChange={(winding) => set({ winding })}
      />
      <Choice
        label="Coating"
        options={[
          { value: false, title: 'None' },
          { value: true, title: 'Coated' },
        ]}
        value={value.coated}
        onChange={(coated) => set({ coated })}
      />
      <Field
        label="Gauge"
        hint="In mm, or in inches as .012. Leave it empty where the packet says none."
        value={value.gauge}
        onChangeText={(gauge) => set({ gauge })}
        error={errors.gauge}
      />
      <Field
        label="Tension on the packet, in N"
        hint="For this string’s own length and note. It comes before the gauge."
        inputMode="decimal"
        value={value.tension}
        onChangeText={(tension) => set({ tension })}
        error={errors.tension}
      />
      <Field
        label="Or its weight, in g per metre"
        inputMode="decimal"
        value={value.density}
        onChangeText={(density) => set({ density })}
        error={errors.density}
      />
    </View>
  );
}
