import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Field, TextArea } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Grid, Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dateWords } from '@/copy/dates';
import { optionsOf } from '@/copy/lists';
import { copy } from '@/copy/screens/brief';
import { ofInstrument } from '../kit/for-instrument';
import { PhotoChoice } from '../photo/routes';
import { useBrief, type BriefModel } from './use-brief';

/** Route: what the workshop is told of one instrument, on one page. */
export const BriefRoute = ofInstrument(BriefScreen);

function BriefScreen({ instrument }: { instrument: Instrument }) {
  const model = useBrief(instrument);
  const { complete, kept, busy, problem, save } = model;
  return (
    <Screen
      title={copy.title}
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
      foot={
        <>
          <Button title={copy.send} busy={busy} disabled={!complete} onPress={model.send} />
          {!kept && <Button rank="plain" title={copy.save} disabled={!complete || busy} onPress={save} />}
        </>
      }
    >
      {complete ? <Written instrument={instrument} model={model} /> : <Text tone="quiet">{FETCHING_LOG}</Text>}
      {problem !== null && (
        <Text tone="now" role="alert">
          {problem}
        </Text>
      )}
    </Screen>
  );
}

function Written({ instrument, model }: { instrument: Instrument; model: BriefModel }) {
  const { draft, change, setSection, kept, anew, paper, setPaper, busy, print } = model;
  return (
    <Stack gap="more">
      <Stack gap="hair">
        <Text kind="small" tone="quiet" role="status">
          {kept ? copy.kept : copy.composedFrom}
        </Text>
        <Button rank="plain" title={copy.anew} onPress={anew} start flush />
      </Stack>
      <Field label={copy.headline} value={draft.title} onChangeText={(title) => change({ title })} />
      <Field label={copy.about} value={draft.about} onChangeText={(about) => change({ about })} />
      <ToBeDone model={model} />
      {draft.sections.map(({ title, text }, at) => (
        <TextArea
          key={title}
          label={title}
          hint={at === 0 ? copy.oneLineEach : undefined}
          rows={Math.min(8, Math.max(2, text.split('\n').length + Math.floor(text.length / 70)))}
          value={text}
          onChange={(words) => setSection(at, words)}
        />
      ))}
      <TextArea
        label={copy.wishes}
        hint={copy.wishesHint}
        rows={3}
        value={draft.wishes}
        onChange={(wishes) => change({ wishes })}
      />
      <Photos instrument={instrument} model={model} />
      <Choice label={copy.paper} options={optionsOf(copy.papers)} value={paper} onChange={setPaper} />
      <Button rank="outline" title={copy.print} disabled={busy} onPress={print} start />
      {model.remove && <Button rank="plain" title={copy.remove} onPress={model.remove} start flush />}
    </Stack>
  );
}

/** What the workshop is asked to do, each to be taken out; and what is wished besides. */
function ToBeDone({ model }: { model: BriefModel }) {
  const { asks, toggleAsked, addAsked } = model;
  const [wish, setWish] = useState('');
  const add = () => {
    addAsked(wish);
    setWish('');
  };
  return (
    <Stack gap="small" role="group" aria-label={copy.toBeDone}>
      <Text kind="smallStrong">{copy.toBeDone}</Text>
      <Grid gap="small">
        {asks.map(({ ask, on }) => (
          <Tick key={JSON.stringify(ask)} kind="checkbox" title={ask.words} on={on} onPress={() => toggleAsked(ask)} />
        ))}
      </Grid>
      <Row gap="small" align="end">
        <Stack grow>
          <Field label={copy.besides} value={wish} onChangeText={setWish} onSubmitEditing={add} />
        </Stack>
        {wish.trim() !== '' && <Button rank="outline" title={copy.addIt} onPress={add} />}
      </Row>
    </Stack>
  );
}

/** Photographs on record; those that are marked go along. */
function Photos({ instrument, model }: { instrument: Instrument; model: BriefModel }) {
  const { photos, draft, togglePhoto, full, moment } = model;
  return (
    <Stack gap="small">
      <Text kind="smallStrong">{copy.photos}</Text>
      {photos.length === 0 && <Text tone="quiet">{copy.noPhotos}</Text>}
      {full && (
        <Text kind="small" tone="quiet">
          {copy.most}
        </Text>
      )}
      <Grid gap="small">
        {photos.map(({ photo, at }, index) => (
          <PhotoChoice
            key={photo}
            instrumentId={instrument.id}
            photo={photo}
            label={copy.photo(index + 1, dateWords(at, moment.nowMs, moment.timeZone))}
            on={draft.photos.includes(photo)}
            onPress={() => togglePhoto(photo)}
          />
        ))}
      </Grid>
    </Stack>
  );
}
