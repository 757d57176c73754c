import type { Instrument } from '@tembrin/contract';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { ofInstrument } from '../kit/for-instrument';
import { usualLengthMm } from '@tembrin/core/strings';
import { noteName, TEMPERAMENTS } from '@tembrin/core/pitch';
import { recordOf, SWEATS, variantOf } from '@tembrin/core/instruments';
import { Stack } from '@/ui/layout';
import { copy, SWEAT_TITLES } from '@/copy/screens/strings/strung-form';
import { useStrungForm, type StrungFormModel } from './use-strung-form';
const TEMPERAMENT_TITLES = { fifths: 'Pure fifths', equal: 'Equal temperament' } as const;

/** How an instrument is strung and tuned: notes, length, its A, its temperament, the player's hands. */
function StrungForm({ instrument }: { instrument: Instrument }) {
  const model = useStrungForm(instrument);
  const { family, harp, text, sweat, setSweat, temperament, setTemperament, errors, problem, busy, change, save } =
    model;
  return (
    <Screen
      title={copy.strungAndTuned}
      back={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
      foot={<Button title="Save" busy={busy} onPress={() => void save()} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack gap="more">
        <Tuning model={model} />
        <Field
          label={copy.aInHz}
          inputMode="decimal"
          value={text.a4Hz}
          onChangeText={(a4Hz) => change({ a4Hz })}
          error={errors.a4Hz}
        />
        <Choice
          label="Tuned in"
          options={TEMPERAMENTS.map((value) => ({ value, title: TEMPERAMENT_TITLES[value] }))}
          value={temperament}
          onChange={setTemperament}
        />
        <Choice
          label={copy.thePlayersHands}
          options={SWEATS.map((value) => ({ value, title: SWEAT_TITLES[value] }))}
          value={sweat}
          onChange={setSweat}
        />
        {recordOf(family).strings.held === 'post' && (
          <Field
            label={copy.diameterOfATuning}
            hint={copy.itTellsHowMuch}
            inputMode="decimal"
            value={text.postMm}
            onChangeText={(postMm) => change({ postMm })}
            error={errors.postMm}
          />
        )}
        {harp && (
          <Text kind="small" tone="quiet">
            {copy.lengthsOfTheStrings}
          </Text>
        )}
      </Stack>
    </Screen>
  );
}

/** Notes and length, or a harp’s range. */
function Tuning({ model }: { model: StrungFormModel }) {
  const { harp, instrument, text, change, errors, family, kind, size } = model;
  return harp ? (
    <>
      <Choice
        label={copy.aCommonRange}
        options={variantOf(instrument).layouts.map(({ title, from, to }) => ({
          value: `${noteName(from)} ${noteName(to)}`,
          title: `${title}, ${noteName(from)} to ${noteName(to)}`,
        }))}
        value={`${text.from} ${text.to}`}
        onChange={(range) => {
          const [from, to] = range.split(' ') as [string, string];
          change({ from, to });
        }}
      />
      <Field label="Lowest string" value={text.from} onChangeText={(from) => change({ from })} error={errors.tuning} />
      <Field label="Highest string" value={text.to} onChangeText={(to) => change({ to })} />
    </>
  ) : (
    <>
      <Field
        label={copy.notesTheLowestString}
        value={text.notes}
        onChangeText={(notes) => change({ notes })}
        error={errors.tuning}
      />
      <Field
        label={copy.nutToBridgeIn}
        hint={copy.leaveItEmptyFor(usualLengthMm(family, kind, size, 60))}
        inputMode="decimal"
        value={text.length}
        onChangeText={(length) => change({ length })}
        error={errors.lengthMm}
      />
    </>
  );
}

export const StrungRoute = ofInstrument(StrungForm);
