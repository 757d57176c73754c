import { CASES, FAMILY_FACTS, type Kind } from '@tembrin/core';
import type { InstrumentChange } from '@tembrin/contract';
import { View } from 'react-native';
import { Choice } from '@/ui/Choice';
import { DateField, Field } from '@/ui/Field';
import { GAP } from '@/ui/theme';
import { CASE_NAMES, KIND_NAMES } from '@/words/names';

interface FactsFieldsProps {
  facts: InstrumentChange;
  onChange: (change: Partial<InstrumentChange>) => void;
  errors: Readonly<Record<string, string>>;
}

/** What an instrument is: the questions its family raises and no others. */
export function FactsFields({ facts, onChange, errors }: FactsFieldsProps) {
  const { kinds, sizes } = FAMILY_FACTS[facts.family];
  return (
    <View style={{ gap: GAP.more }}>
      <Field
        label="Name"
        hint="What you call it."
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
      {sizes.length > 0 && (
        <Choice
          label="Size"
          options={sizes.map((value) => ({ value, title: value }))}
          value={facts.size}
          onChange={(size) => onChange({ size })}
        />
      )}
    </View>
  );
}

/** What it is kept in and played with. */
export function SetUpFields({ facts, onChange, errors }: FactsFieldsProps) {
  const { shoulderRest, bowed } = FAMILY_FACTS[facts.family];
  const { setUp } = facts;
  return (
    <View style={{ gap: GAP.more }}>
      {!bowed && (
        <Field
          label="Number of strings"
          inputMode="numeric"
          value={Number.isNaN(facts.stringCount) ? '' : String(facts.stringCount)}
          onChangeText={(text) => onChange({ stringCount: Number.parseInt(text, 10) })}
          error={errors.stringCount}
        />
      )}
      {shoulderRest && (
        <Choice
          label="Shoulder rest"
          options={[
            { value: true, title: 'Yes' },
            { value: false, title: 'No' },
          ]}
          value={setUp.shoulderRest}
          onChange={(rest) => onChange({ setUp: { ...setUp, shoulderRest: rest } })}
        />
      )}
      <Choice
        label="Case"
        options={CASES.map((value) => ({ value, title: CASE_NAMES[value] }))}
        value={setUp.case}
        onChange={(kept) => onChange({ setUp: { ...setUp, case: kept } })}
      />
      <DateField
        type="date"
        label="With you since"
        hint="Sessions before this day are refused. Leave it empty if it does not matter."
        value={facts.since ?? ''}
        onChange={(since) => onChange({ since: since || null })}
        error={errors.since}
      />
    </View>
  );
}
