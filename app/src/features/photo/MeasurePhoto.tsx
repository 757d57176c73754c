import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useWindowDimensions } from 'react-native';
import { useInstrumentOnStand } from '@/state/stand';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { PhotoHandles, type Handle } from '@/ui/PhotoHandles';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { COLUMN } from '@/ui/theme';
import { Row, Stack } from '@/ui/layout';
import { measureWords } from '@/copy/measures';
import { optionsOf } from '@/copy/lists';
import { copy } from '@/copy/screens/photo/measure';
import { FIGURE_DATA } from '@tembrin/core/instruments';
import { HowDrawing } from './HowDrawing';
import { useFileInput } from '../files/files';
import { useMeasurePhoto, type MeasurePhotoModel } from './use-measure-photo';

/** Route: measuring by a photograph beside a bank-size card. */
export function MeasurePhoto() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Measure key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Measure({ instrument }: { instrument: Instrument }) {
  const model = useMeasurePhoto(instrument);
  const { bowed, what, choose, figures, figure, setChosen, picture, looking, problem, read, fits, record, lengths } =
    model;
  const { element: input, open: pick } = useFileInput(copy.take, 'image/*', (file) => void model.take(file));
  const value = read?.reading?.value;
  return (
    <Screen
      title={copy.title}
      back="/bench"
      foot={
        <>
          <Button rank={picture ? 'outline' : 'solid'} title={picture ? copy.another : copy.take} onPress={pick} />
          {figure && value !== undefined && fits && (
            <Button title={copy.record(measureWords(figure, value, lengths))} onPress={() => void record()} />
          )}
        </>
      }
    >
      {input}
      {bowed && <Choice label={copy.what} options={optionsOf(copy.kinds)} value={what} onChange={choose} />}
      {problem !== null && <Banner tone="now" text={problem} />}
      {!picture && (
        <Stack gap="small">
          {(what === 'gap' ? copy.howGap : copy.howLength).map((how) => (
            <Text key={how}>{how}</Text>
          ))}
          <Text tone="quiet">{copy.stays}</Text>
          <Stack align="center" padTop="one">
            <HowDrawing what={what} width={300} />
          </Stack>
        </Stack>
      )}
      {looking && (
        <Text role="status" tone="quiet">
          {copy.looking}
        </Text>
      )}
      <Reading model={model} />
      <Picture model={model} />
      {value !== undefined && fits && (
        <Tick kind="checkbox" title={copy.keepToo} on={model.keeps} onPress={() => model.setKeeps(!model.keeps)} />
      )}
      {what === 'length' && figure && (
        <Choice
          label={copy.which}
          options={figures.map((each) => ({ value: each, title: FIGURE_DATA[each].title }))}
          value={figure}
          onChange={setChosen}
        />
      )}
    </Screen>
  );
}

/** What is read, with how far it may be off; or why nothing is. */
function Reading({ model: { found, read, figure, lengths, fits, wanting } }: { model: MeasurePhotoModel }) {
  if (!found || !figure) return null;
  const cardFault = !read && found.cardFault;
  const fault = read ? read.fault : found.fault;
  return (
    <Stack gap="hair" role="status">
      <Row gap="half" align="baseline">
        <Text kind="figure">{read?.reading ? measureWords(figure, read.reading.value, lengths) : '–'}</Text>
        {read?.reading && <Text kind="title">{copy.off(figure, read.reading, lengths)}</Text>}
      </Row>
      {cardFault && <Text tone="now">{copy.cardFaults[cardFault]}</Text>}
      {fault && <Text tone="now">{copy.readFaults[fault]}</Text>}
      {wanting > 0 && !cardFault && !fault && <Text>{copy.setHandles(wanting)}</Text>}
      {read?.reading && !fits && <Text tone="now">{copy.outOfRange}</Text>}
      {read?.reading && fits && (
        <Text kind="small" tone="quiet">
          {copy.within((5 / 400) * 100)}
        </Text>
      )}
    </Stack>
  );
}

function Picture({ model: { picture, handles, what, read, move } }: { model: MeasurePhotoModel }) {
  const { width } = useWindowDimensions();
  if (!picture || !handles) return null;
  const shown = Math.min(width - 48, COLUMN - 64);
  const { corners, ends } = handles;
  const marks: Handle[] = [
    ...corners.map((corner, at) => ({ ...corner, id: `c${at}`, label: copy.corner(at) })),
    ...ends.map((end, at) => ({ ...end, id: `e${at}`, label: copy.end[what](at) })),
  ];
  const lines = [
    ...corners.map((corner, at) => ({ from: corner, to: corners[(at + 1) % 4]! })),
    { from: ends[0], to: ends[1], thick: what === 'length' },
    ...(read?.narrowest ? [{ from: read.narrowest[0], to: read.narrowest[1], thick: true }] : []),
  ];
  return (
    <Stack gap="small">
      <PhotoHandles picture={picture} width={shown} label={copy.picture} handles={marks} lines={lines} onMove={move} />
      <Text kind="small" tone="quiet">
        {copy.arrows}
      </Text>
    </Stack>
  );
}
