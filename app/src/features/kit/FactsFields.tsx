import type { InstrumentChange } from '@tembrin/contract';
import { Choice } from '@/ui/Choice';
import { DateField, Field } from '@/ui/Field';
import { useState } from 'react';
import { usePreferences } from '@/state/preferences';
import { bodyWords, lengthFigure } from '@/copy/measures';
import { mmOfInches, readLength } from '@/copy/typed';
import { CASE_NAMES, FINISH_NAMES, HABIT_NAMES, KIND_NAMES, layoutWords, REST_NAMES } from '@/copy/names';
import {
  CASES,
  FINISHES,
  HABITS,
  kindsOf,
  layoutOf,
  recordOf,
  RESTS,
  sizesOf,
  variantOf,
  withLayout,
  type BodyFacts,
  type Habit,
  type Kind,
} from '@tembrin/core/instruments';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/kit/facts-fields';

interface FactsFieldsProps {
  facts: InstrumentChange;
  onChange: (change: Partial<InstrumentChange>) => void;
  errors: Readonly<Record<string, string>>;
}

/** Where nobody has said how much it is played. */
const NOT_SAID = 'not-said';

/** What an instrument is: the questions its family raises and no others. */
export function FactsFields({ facts, onChange, errors }: FactsFieldsProps) {
  const [kinds, sizes] = [kindsOf(facts.family), sizesOf(facts.family)];
  const record = recordOf(facts.family);
  return (
    <Stack gap="more">
      <Field
        label="Name"
        hint={copy.whatYouCallIt}
        value={facts.name}
        onChangeText={(name) => onChange({ name })}
        error={errors.name}
      />
      {kinds.length > 0 && (
        <Choice
          label="Kind"
          options={kinds.map((value) => ({ value, title: KIND_NAMES[value] }))}
          value={facts.kind}
          onChange={(kind: Kind) => onChange({ kind })}
        />
      )}
      <Choice
        label={copy.whoPlaysIt}
        options={[
          { value: 'adult', title: 'An adult' },
          { value: 'child', title: 'A child' },
        ]}
        value={facts.setUp.player}
        onChange={(player: 'adult' | 'child') => onChange({ setUp: { ...facts.setUp, player } })}
      />
      <Choice
        label={copy.howMuchIsIt}
        hint={copy.theForecastsBeginWith}
        options={[
          ...HABITS.map((value) => ({ value, title: HABIT_NAMES[value] })),
          { value: NOT_SAID, title: copy.dontKnow },
        ]}
        value={facts.setUp.habit ?? NOT_SAID}
        onChange={(said: Habit | typeof NOT_SAID) =>
          onChange({ setUp: { ...facts.setUp, habit: said === NOT_SAID ? null : said } })
        }
      />
      {record.body ? (
        <BodyField facts={facts} onChange={onChange} errors={errors} body={record.body} />
      ) : (
        sizes.length > 0 && (
          <Choice
            label="Size"
            options={sizes.map((value) => ({ value, title: value }))}
            value={facts.size}
            onChange={(size) => onChange({ size })}
          />
        )
      )}
      <StringsField facts={facts} onChange={onChange} errors={errors} />
      {record.takes.handed && (
        <Choice
          label={copy.builtForWhichHand}
          options={[
            { value: false, title: 'Right-handed' },
            { value: true, title: 'Left-handed' },
          ]}
          value={facts.setUp.leftHanded}
          onChange={(leftHanded) => onChange({ setUp: { ...facts.setUp, leftHanded } })}
        />
      )}
    </Stack>
  );
}

const NOT_MEASURED = 'not-measured';

/** The length of its body, for what has no standard size: one of those it is usually built in, or as measured. */
function BodyField({ facts, onChange, errors, body }: FactsFieldsProps & { body: BodyFacts }) {
  const unit = usePreferences((state) => state.lengths);
  const { bodyMm } = facts.setUp;
  const [typed, setTyped] = useState(() => lengthFigure(bodyMm, unit));
  const built = body.inches.map(mmOfInches);
  const change = (mm: number | null) => onChange({ size: null, setUp: { ...facts.setUp, bodyMm: mm } });
  const choose = (mm: number | null) => {
    setTyped(lengthFigure(mm, unit));
    change(mm);
  };
  return (
    <Stack gap="small">
      <Choice
        label={copy.lengthOfTheBody}
        hint={copy.withoutTheButton}
        options={[
          ...built.map((mm) => ({ value: String(mm), title: bodyWords(mm, unit) })),
          { value: NOT_MEASURED, title: facts.size === null ? copy.notMeasured : copy.notMeasuredSize(facts.size) },
        ]}
        value={bodyMm === null ? NOT_MEASURED : String(bodyMm)}
        onChange={(value: string) => choose(value === NOT_MEASURED ? null : Number(value))}
      />
      <Field
        label={copy.orAsMeasured(unit)}
        inputMode="decimal"
        value={typed}
        onChangeText={(text) => {
          setTyped(text);
          change(text.trim() === '' ? null : readLength(text, unit));
        }}
        error={errors['setUp.bodyMm']}
      />
    </Stack>
  );
}

/** Neither of the layouts: a number is asked for. */
const OTHER = -1;

/** The strings it is built with: a layout of its kind, or a number of them. */
function StringsField({ facts, onChange, errors }: FactsFieldsProps) {
  const { layouts } = variantOf(facts);
  const layout = layoutOf(facts);
  const [counting, setCounting] = useState(layout === null);
  const other = counting || layout === null;
  return (
    <Stack gap="small">
      <Choice
        label="Strings"
        options={[
          ...layouts.map((each, at) => ({ value: at, title: layoutWords(each) })),
          { value: OTHER, title: copy.others },
        ]}
        value={other ? OTHER : layouts.indexOf(layout)}
        onChange={(at) => {
          setCounting(at === OTHER);
          if (at === OTHER) return;
          const { stringCount, stringing } = withLayout(facts, layouts[at]!);
          onChange({ stringCount, stringing });
        }}
      />
      {other && (
        <Field
          label={copy.numberOfStrings}
          hint={copy.notesAndLengthsAre}
          inputMode="numeric"
          value={Number.isNaN(facts.stringCount) ? '' : String(facts.stringCount)}
          onChangeText={(text) => onChange({ stringCount: Number.parseInt(text, 10) })}
          error={errors.stringCount}
        />
      )}
    </Stack>
  );
}

const YES_NO = [
  { value: true, title: 'Yes' },
  { value: false, title: 'No' },
];

/** What it is kept in and played with. */
export function SetUpFields({ facts, onChange, errors }: FactsFieldsProps) {
  const { family } = facts;
  const { takes } = recordOf(family);
  const { setUp } = facts;
  const change = (part: Partial<typeof setUp>) => onChange({ setUp: { ...setUp, ...part } });
  const yesNo = (key: 'stand' | 'endpin' | 'humidifier' | 'floatingBridge', label: string, hint?: string) => (
    <Choice
      label={label}
      hint={hint}
      options={YES_NO}
      value={setUp[key]}
      onChange={(value: boolean) => change({ [key]: value })}
    />
  );
  return (
    <Stack gap="more">
      {takes.chin && (
        <Choice
          label="Shoulder rest"
          options={RESTS.map((value) => ({ value, title: REST_NAMES[value] }))}
          value={setUp.shoulderRest}
          onChange={(rest) => change({ shoulderRest: rest })}
        />
      )}
      {takes.endpin && yesNo('endpin', 'Endpin')}
      <Choice
        label="Case"
        options={CASES.map((value) => ({ value, title: CASE_NAMES[value] }))}
        value={setUp.case}
        onChange={(kept) => change({ case: kept })}
      />
      {takes.stand && yesNo('stand', copy.standOrWallHanger)}
      {setUp.case !== 'none' && yesNo('humidifier', copy.humidifierInTheCase, copy.itIsLookedAt)}
      {takes.bridgeAsked && yesNo('floatingBridge', copy.bridgeHeldByThe, copy.asOnArchtopsIt)}
      <Choice
        label="Finish"
        hint={copy.itDecidesWhatMay}
        options={FINISHES.map((value) => ({ value, title: FINISH_NAMES[value] }))}
        value={setUp.finish}
        onChange={(finish) => change({ finish })}
      />
      <DateField
        type="date"
        label={copy.withYouSince}
        hint={copy.sessionsBeforeThisDay}
        value={facts.since ?? ''}
        onChange={(since) => onChange({ since: since || null })}
        error={errors.since}
      />
    </Stack>
  );
}
