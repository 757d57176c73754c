import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { VERDICT_WORDS } from '@/copy/findings';
import { inUnits } from '@/copy/measures';
import { copy } from '@/copy/screens/look/round';
import { FIGURE_DATA, stringNames, type Figure, type LookId } from '@tembrin/core/instruments';
import { FigureField } from '../FigureField';
import { LookPhoto } from '../photo/routes';
import type { AnswerFields } from './use-answer';

/** More strings than these are not offered one by one. */
const MOST_STRINGS = 12;

/** Figures that a photograph tells. */
const READ_OFF_PHOTOS: ReadonlySet<Figure> = new Set([
  'bridge-angle',
  'bow-band-tip',
  'bow-camber',
  'bow-gap',
  'height-low',
  'action',
  'relief',
]);

/** The figures of a look. */
export function LookFigures({ model }: { model: AnswerFields }) {
  const { figures, texts, errors, setText, told } = model;
  if (figures.length === 0) return null;
  const byPhoto = figures.find((figure) => READ_OFF_PHOTOS.has(figure));
  return (
    <Stack gap="half">
      {figures.length > 2 ? (
        <Row gap="small" align="end">
          {figures.map((figure) => (
            <Stack key={figure} grow>
              <Field
                label={copy.short(figure)}
                inputMode="decimal"
                value={texts[figure] ?? ''}
                onChangeText={(text) => setText(figure, text)}
                error={errors[figure]}
              />
            </Stack>
          ))}
        </Row>
      ) : (
        figures.map((figure) => (
          <FigureField
            key={figure}
            figure={figure}
            label={FIGURE_DATA[figure].title}
            text={texts[figure] ?? ''}
            onText={(text) => setText(figure, text)}
            error={errors[figure]}
          />
        ))
      )}
      {byPhoto && (
        <Button
          rank="plain"
          title={copy.byPhoto}
          onPress={() => router.push({ pathname: '/bench/photo', params: { figure: byPhoto } })}
          start
          flush
        />
      )}
      <Text kind="small" tone="quiet" role="status">
        {told ? copy.byFigure(VERDICT_WORDS[told]) : inUnits(copy.sayFigure)}
      </Text>
    </Stack>
  );
}

/** Which string it is about, a note, a photograph. */
export function LookDetails({
  instrument,
  look,
  model,
}: {
  instrument: Instrument;
  look: LookId;
  model: AnswerFields;
}) {
  const { string, setString, note, setNote, photo, setPhoto } = model;
  const [open, setOpen] = useState(false);
  const names = stringNames(instrument);
  return (
    <Stack gap="half">
      {look === 'strings' && names.length <= MOST_STRINGS && (
        <Choice
          label={copy.which}
          options={[{ value: -1, title: copy.allStrings }, ...names.map((title, value) => ({ value, title }))]}
          value={string ?? -1}
          onChange={(value) => setString(value < 0 ? null : value)}
        />
      )}
      {open ? (
        <Field label={copy.note} value={note} onChangeText={setNote} autoFocus />
      ) : (
        <Button rank="plain" title={copy.addNote} onPress={() => setOpen(true)} start flush />
      )}
      <LookPhoto photo={photo} onPhoto={setPhoto} />
    </Stack>
  );
}
