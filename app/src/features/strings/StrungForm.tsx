import type { Instrument } from '@tembrin/contract';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useState } from 'react';
import { ofInstrument } from '../kit/for-instrument';
import { layoutWords } from '@/copy/names';
import { lengthWords } from '@/copy/measures';
import { noteNames } from '@/copy/strings';
import { openStrings, usualLengthMm } from '@tembrin/core/strings';
import { A4, TEMPERAMENTS } from '@tembrin/core/pitch';
import { recordOf, SWEATS, variantOf } from '@tembrin/core/instruments';
import { Grid, Stack } from '@/ui/layout';
import { SWEAT_TITLES } from '@/copy/screens/strings/hands';
import { copy } from '@/copy/screens/strings/strung-form';
import { listWords } from '@/copy/lists';
import { useStrungForm, type StrungFormModel } from './use-strung-form';
const TEMPERAMENT_TITLES = { fifths: 'Pure fifths', equal: 'Equal temperament' } as const;

/** How an instrument is strung and tuned: notes, length, its A, its temperament, the player's hands. */
function StrungForm({ instrument }: { instrument: Instrument }) {
  const model = useStrungForm(instrument);
  const { family, unit, text, sweat, setSweat, temperament, setTemperament, errors, problem, busy, change, save } =
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
          hint={model.ownHands.length > 0 ? copy.whosePlaysSaid(listWords(model.ownHands)) : undefined}
          options={SWEATS.map((value) => ({ value, title: SWEAT_TITLES[value] }))}
          value={sweat}
          onChange={setSweat}
        />
        {recordOf(family).strings.held === 'post' && (
          <Field
            label={copy.diameterOfATuning(unit)}
            hint={copy.itTellsHowMuch}
            inputMode="decimal"
            value={text.postMm}
            onChangeText={(postMm) => change({ postMm })}
            error={errors.postMm}
          />
        )}
        <Lengths model={model} />
      </Stack>
    </Screen>
  );
}

/** Notes and length, or a harp’s range. */
function Tuning({ model }: { model: StrungFormModel }) {
  const { harp, instrument, text, change, errors, unit, layout, choose } = model;
  const { layouts } = variantOf(instrument);
  return (
    <>
      {layouts.length > 1 && (
        <Choice
          label={harp ? copy.aCommonRange : copy.builtFor}
          options={layouts.map((each, at) => ({ value: at, title: layoutWords(each) }))}
          value={layout ? layouts.indexOf(layout) : null}
          onChange={(at) => choose(layouts[at]!)}
        />
      )}
      {harp ? (
        <>
          <Field
            label="Lowest string"
            value={text.from}
            onChangeText={(from) => change({ from })}
            error={errors.tuning}
          />
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
            label={copy.nutToBridgeIn(unit)}
            hint={copy.leaveItEmptyFor(lengthWords(usualLengthMm(instrument, A4), unit))}
            inputMode="decimal"
            value={text.length}
            onChangeText={(length) => change({ length })}
            error={errors.lengthMm}
          />
        </>
      )}
    </>
  );
}

/** A length for each string: a harp’s, one on an extension, those of slanted frets. */
function Lengths({ model }: { model: StrungFormModel }) {
  const { text, change, strung, unit, errors } = model;
  const [open, setOpen] = useState(false);
  const shown =
    open ||
    text.lengths.some((length) => length !== '') ||
    Object.keys(errors).some((key) => key.startsWith('lengthsMm'));
  if (!shown) return <Button rank="outline" title={copy.giveEachItsLength} onPress={() => setOpen(true)} />;
  const names = noteNames(strung);
  const set = (at: number, length: string) =>
    change({ lengths: names.map((_, each) => (each === at ? length : (text.lengths[each] ?? ''))) });
  return (
    <Stack gap="small" role="group" aria-label={copy.lengthsStringByString}>
      <Text kind="heading" level={2}>
        {copy.lengthsStringByString}
      </Text>
      <Text kind="small" tone="quiet">
        {copy.lengthsOfTheStrings(unit)}
      </Text>
      <Grid gap="small">
        {openStrings({ ...strung, stringing: { ...strung.stringing, lengthsMm: null } })
          .map(({ lengthMm, position: at }) => (
            <Stack key={at} basis="30%" fill>
              <Field
                label={copy.lengthOf(names[at]!)}
                hint={copy.usually(lengthWords(lengthMm, unit))}
                inputMode="decimal"
                value={text.lengths[at] ?? ''}
                onChangeText={(length) => set(at, length)}
                error={errors[`lengthsMm.${at}`]}
              />
            </Stack>
          ))
          .reverse()}
      </Grid>
    </Stack>
  );
}

export const StrungRoute = ofInstrument(StrungForm);
