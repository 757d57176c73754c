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
import { OFF_PLANE, type Point } from '@tembrin/core/vision';
import type { Measured } from '@/workers/vision-jobs';
import { HowDrawing } from './HowDrawing';
import { useFileInput } from '../files/files';
import { useMeasurePhoto, type MeasurePhotoModel } from './use-measure-photo';

/** Route: measuring by a photograph. */
export function MeasurePhoto() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Measure key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Measure({ instrument }: { instrument: Instrument }) {
  const model = useMeasurePhoto(instrument);
  const { kinds, what, choose, figures, figure, setChosen, picture, looking, problem, read, fits, record } = model;
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
            <Button title={copy.record(measureWords(figure, value, model.lengths))} onPress={() => void record()} />
          )}
        </>
      }
    >
      {input}
      {kinds.length > 1 && (
        <Choice
          label={copy.what}
          options={optionsOf(copy.kinds).filter((option) => kinds.some((kind) => kind === option.value))}
          value={what}
          onChange={choose}
        />
      )}
      {what === 'lean' && (
        <Choice
          label={copy.tailpiece}
          options={optionsOf(copy.sides)}
          value={model.tailpiece}
          onChange={model.chooseSide}
        />
      )}
      {figures.length > 1 && figure && (
        <Choice
          label={copy.which[what]}
          options={figures.map((each) => ({ value: each, title: copy.places[each] ?? FIGURE_DATA[each].title }))}
          value={figure}
          onChange={setChosen}
        />
      )}
      {problem !== null && <Banner tone="now" text={problem} />}
      {!picture && <How what={what} />}
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
    </Screen>
  );
}

/** How the picture is taken. */
function How({ what }: { what: Measured }) {
  return (
    <Stack gap="small">
      {copy.how[what].map((how) => (
        <Text key={how}>{how}</Text>
      ))}
      <Text tone="quiet">{copy.stays}</Text>
      <Stack align="center" padTop="one">
        <HowDrawing what={what} width={300} />
      </Stack>
    </Stack>
  );
}

/** What is read, with how far it may be off; or why nothing is. */
function Reading({
  model: { what, found, read, figure, lengths, fits, wanting, needsCard },
}: {
  model: MeasurePhotoModel;
}) {
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
      {wanting > 0 && !cardFault && !fault && <Text>{copy.setHandles(what, wanting)}</Text>}
      {read?.reading && !fits && <Text tone="now">{copy.outOfRange}</Text>}
      {read?.reading && fits && (
        <Text kind="small" tone="quiet">
          {needsCard ? copy.within((5 / 3) * OFF_PLANE * 100) : copy.square(found.corners !== null)}
        </Text>
      )}
    </Stack>
  );
}

/** Lines between the handles of what is measured. */
function linesOf(what: Measured, points: readonly Point[]) {
  const line = (from: number, to: number, thick = false) => ({ from: points[from]!, to: points[to]!, thick });
  switch (what) {
    case 'gap':
      return [line(0, 1)];
    case 'length':
      return [line(0, 1, true)];
    case 'camber':
      return [line(0, 1)];
    case 'lean':
    case 'band':
      return [line(0, 1), line(2, 3)];
  }
}

function Picture({ model: { picture, handles, what, read, move } }: { model: MeasurePhotoModel }) {
  const { width } = useWindowDimensions();
  if (!picture || !handles) return null;
  const shown = Math.min(width - 48, COLUMN - 64);
  const { points } = handles;
  const corners = handles.corners ?? [];
  const marks: Handle[] = [
    ...corners.map((corner, at) => ({ ...corner, id: `c${at}`, label: copy.corner(at) })),
    ...points.map((point, at) => ({ ...point, id: `p${at}`, label: copy.handles[what][at]! })),
  ];
  const lines = [
    ...corners.map((corner, at) => ({ from: corner, to: corners[(at + 1) % corners.length]! })),
    ...linesOf(what, points),
    ...(read?.seen ?? []).map(([from, to]) => ({ from, to, thick: true })),
  ];
  return (
    <Stack gap="small">
      <PhotoHandles {...picture} width={shown} label={copy.picture} handles={marks} lines={lines} onMove={move} />
      <Text kind="small" tone="quiet">
        {copy.arrows}
      </Text>
    </Stack>
  );
}
