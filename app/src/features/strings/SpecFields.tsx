import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { forceFigure, newtonsOf } from '@/copy/amounts';
import { lengthFigure } from '@/copy/measures';
import { readGauge, readLength } from '@/copy/typed';
import { readNumber } from '@/copy/numbers';
import { shownUnits } from '@/copy/units';
import { CORE_NAMES, WINDING_NAMES } from '@/copy/strings';
import { CORES, stringSpecSchema, WINDINGS, type StringSpec } from '@tembrin/core/instruments';
import { Row, Stack } from '@/ui/layout';
import { copy, NUMBER_WANTED } from '@/copy/screens/strings/spec-fields';

/** A string as it is typed in. */
export interface SpecText {
  core: StringSpec['core'];
  winding: StringSpec['winding'];
  coated: boolean;
  gauge: string;
  tension: string;
  /** Length and pitch that the tension is stated for; empty: this string's own. */
  length: string;
  pitch: string;
  density: string;
}

export const EMPTY_SPEC: SpecText = {
  core: 'steel',
  winding: 'plain',
  coated: false,
  gauge: '',
  tension: '',
  length: '',
  pitch: '',
  density: '',
};

export function specText(spec: StringSpec | null): SpecText {
  if (!spec) return EMPTY_SPEC;
  return {
    core: spec.core,
    winding: spec.winding,
    coated: spec.coated,
    gauge: spec.gaugeMm === null ? '' : String(spec.gaugeMm),
    tension: spec.stated ? forceFigure(spec.stated.tensionN) : '',
    length: spec.stated ? lengthFigure(spec.stated.lengthMm, shownUnits().lengths) : '',
    pitch: spec.stated ? String(Math.round(spec.stated.hz * 100) / 100) : '',
    density: spec.densityGPerM === null ? '' : String(spec.densityGPerM),
  };
}

const FIELD_OF: Readonly<Record<string, keyof SpecText>> = {
  gaugeMm: 'gauge',
  densityGPerM: 'density',
  lengthMm: 'length',
  hz: 'pitch',
};

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
  const number = (key: 'tension' | 'length' | 'pitch' | 'density') => {
    if (text[key].trim() === '') return null;
    const value = readNumber(text[key]);
    if (value === null) errors[key] = NUMBER_WANTED;
    return value;
  };
  const lengthOf = () => (number('length') === null ? null : readLength(text.length, shownUnits().lengths));
  const gaugeMm = text.gauge.trim() === '' ? null : readGauge(text.gauge);
  if (text.gauge.trim() !== '' && gaugeMm === null) errors.gauge = NUMBER_WANTED;
  const tension = number('tension');
  const densityGPerM = number('density');
  const stated =
    tension === null
      ? null
      : { tensionN: newtonsOf(tension), lengthMm: lengthOf() ?? at.lengthMm, hz: number('pitch') ?? at.hz };
  // What was left as it stood keeps its decimals.
  const before = was && specText(was);
  const kept =
    before && (['tension', 'length', 'pitch'] as const).every((key) => before[key] === text[key].trim())
      ? was.stated
      : null;
  const checked = stringSpecSchema.safeParse({
    core: text.core,
    winding: text.winding,
    coated: text.coated,
    gaugeMm,
    densityGPerM,
    stated: kept ?? stated,
    end: was?.end ?? null,
  });
  if (!checked.success) {
    for (const { path, message } of checked.error.issues) {
      const key = FIELD_OF[String(path.at(-1))] ?? 'tension';
      errors[key] ??= message;
    }
  }
  return checked.success && Object.keys(errors).length === 0 ? checked.data : { errors };
}

interface SpecFieldsProps {
  value: SpecText;
  onChange: (value: SpecText) => void;
  errors: Partial<Record<keyof SpecText, string>>;
}

/** Asks what a string is made of, and what its packet says. */
export function SpecFields({ value, onChange, errors }: SpecFieldsProps) {
  const set = (more: Partial<SpecText>) => onChange({ ...value, ...more });
  return (
    <Stack gap="one">
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
        hint={copy.inMmOrIn}
        value={value.gauge}
        onChangeText={(gauge) => set({ gauge })}
        error={errors.gauge}
      />
      <Field
        label={copy.tensionOnThePacket(shownUnits().forces)}
        hint={copy.itComesBeforeThe}
        inputMode="decimal"
        value={value.tension}
        onChangeText={(tension) => set({ tension })}
        error={errors.tension}
      />
      {value.tension.trim() !== '' && <StatedAt value={value} onChange={onChange} errors={errors} />}
      <Field
        label={copy.orItsWeightIn}
        inputMode="decimal"
        value={value.density}
        onChangeText={(density) => set({ density })}
        error={errors.density}
      />
    </Stack>
  );
}

/** The length and pitch a packet states its tension at. */
function StatedAt({ value, onChange, errors }: SpecFieldsProps) {
  return (
    <Row gap="small">
      <Stack grow>
        <Field
          label={copy.atALengthOf(shownUnits().lengths)}
          hint={copy.emptyItsOwn}
          inputMode="decimal"
          value={value.length}
          onChangeText={(length) => onChange({ ...value, length })}
          error={errors.length}
        />
      </Stack>
      <Stack grow>
        <Field
          label={copy.atAPitchOf}
          hint={copy.emptyItsOwn}
          inputMode="decimal"
          value={value.pitch}
          onChangeText={(pitch) => onChange({ ...value, pitch })}
          error={errors.pitch}
        />
      </Stack>
    </Row>
  );
}
