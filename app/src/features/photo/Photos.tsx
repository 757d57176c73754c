import type { Instrument } from '@tembrin/contract';
import { useLocalSearchParams } from 'expo-router';
import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import ChevronRight from 'lucide-react-native/icons/chevron-right';
import { useWindowDimensions } from 'react-native';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { IconButton } from '@/ui/IconButton';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { COLUMN } from '@/ui/theme';
import { Press, Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dateWords, lastingWords } from '@/copy/dates';
import { copy } from '@/copy/screens/photo/photos';
import type { Photographed } from '@tembrin/core/log';
import { ofInstrument } from '../kit/for-instrument';
import { AddPhoto } from './AddPhoto';
import { PhotoTile } from './PhotoTile';
import { usePhotosOf, type PhotosModel } from './use-photos';

/** Between the two pictures, px. */
const GAP = 8;

/** Route: an instrument's photographs, two dates of one thing side by side. */
export const Photos = ofInstrument(PhotosScreen);

function PhotosScreen({ instrument }: { instrument: Instrument }) {
  const { of: wanted } = useLocalSearchParams<{ of?: string }>();
  const model = usePhotosOf(instrument, wanted);
  const { complete, groups, group, choose, room, large } = model;
  const full = room && copy.nearlyFull(room.count, room.bytes);
  return (
    <Screen
      title={copy.title}
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
      foot={<AddPhoto title={copy.add} rank="solid" onPhoto={model.add} />}
    >
      {full && <Banner tone="soon" text={full} />}
      {!complete && <Text tone="quiet">{FETCHING_LOG}</Text>}
      {complete && !group && <Empty title={copy.none} text={copy.noneText} />}
      {groups.length > 1 && group && (
        <Choice
          label={copy.of}
          options={groups.map(({ key, title, photos }) => ({ value: key, title: copy.counted(title, photos.length) }))}
          value={group.key}
          onChange={choose}
        />
      )}
      {groups.length === 1 && group && <Text kind="smallStrong">{group.title}</Text>}
      {group &&
        (large ? (
          <Large instrument={instrument} model={model} photo={large} />
        ) : (
          <Pair instrument={instrument} model={model} />
        ))}
      {room && room.count > 0 && (
        <Text kind="small" tone="quiet">
          {copy.room(room.count, room.bytes)}
        </Text>
      )}
    </Screen>
  );
}

interface Shown {
  instrument: Instrument;
  model: PhotosModel;
}

/** Two dates side by side, or the only one there is. */
function Pair({ instrument, model }: Shown) {
  const { photos, shown, group, moment } = model;
  const { width } = useWindowDimensions();
  const room = Math.min(width - 48, COLUMN - 64);
  const each = shown.length > 1 ? (room - GAP) / 2 : room;
  const between = shown.length > 1 ? photos[shown[1]!]!.at - photos[shown[0]!]!.at : 0;
  return (
    <Stack gap="half">
      <Row gap={GAP} align="start" role="group" aria-label={copy.pairLabel}>
        {shown.map((index, side) => {
          const photo = photos[index]!;
          return (
            <Stack key={side} gap="hair" width={each}>
              <Press
                role="button"
                aria-label={`${copy.larger}: ${copy.picture(group!.title, dateWords(photo.at, moment.nowMs, moment.timeZone))}`}
                onPress={() => model.setLarge(photo.eventId)}
              >
                <PhotoTile
                  instrumentId={instrument.id}
                  photo={photo.photo}
                  label={copy.picture(group!.title, dateWords(photo.at, moment.nowMs, moment.timeZone))}
                  width={each}
                  height={shown.length > 1 ? each * 1.5 : each * 0.75}
                />
              </Press>
              {shown.length > 1 ? (
                <Step model={model} side={side === 0 ? 0 : 1} index={index} />
              ) : (
                <Text kind="smallStrong">{dateWords(photo.at, moment.nowMs, moment.timeZone)}</Text>
              )}
              <State model={model} photo={photo} />
            </Stack>
          );
        })}
      </Row>
      {between > 0 && (
        <Text kind="small" tone="quiet">
          {copy.apart(lastingWords(between))}
        </Text>
      )}
    </Stack>
  );
}

/** The date of one side, and the ones before and after it. */
function Step({ model: { photos, moment, setSide }, side, index }: { model: PhotosModel; side: 0 | 1; index: number }) {
  const name = side === 0 ? copy.older : copy.newer;
  return (
    <Row align="center" justify="between">
      <IconButton
        icon={ChevronLeft}
        label={`${name}: ${copy.sooner}`}
        disabled={index === 0}
        onPress={() => setSide(side, index - 1)}
      />
      <Text kind="smallStrong" shrink>
        {dateWords(photos[index]!.at, moment.nowMs, moment.timeZone)}
      </Text>
      <IconButton
        icon={ChevronRight}
        label={`${name}: ${copy.later}`}
        disabled={index === photos.length - 1}
        onPress={() => setSide(side, index + 1)}
      />
    </Row>
  );
}

/** Whether it waits here, or was not taken. */
function State({ model: { problemOf, sendAgain }, photo }: { model: PhotosModel; photo: Photographed }) {
  const problem = problemOf(photo);
  if (problem === null) return null;
  if (problem === 'waits')
    return (
      <Text kind="small" tone="quiet">
        {copy.waits}
      </Text>
    );
  return (
    <Stack gap="hair">
      <Text kind="small" tone="now">
        {copy.refused(problem)}
      </Text>
      <Button rank="plain" title={copy.sendAgain} onPress={() => void sendAgain(photo)} start flush />
    </Stack>
  );
}

/** One photograph, as large as the page is wide. */
function Large({ instrument, model, photo }: Shown & { photo: Photographed }) {
  const { width, height } = useWindowDimensions();
  const { moment, group, setLarge, remove } = model;
  const when = dateWords(photo.at, moment.nowMs, moment.timeZone);
  return (
    <Stack gap="half">
      <PhotoTile
        instrumentId={instrument.id}
        photo={photo.photo}
        label={copy.picture(group!.title, when)}
        width={Math.min(width - 48, COLUMN - 64)}
        height={Math.min(height * 0.55, 480)}
        whole
      />
      <Row align="center" justify="between">
        <Text kind="smallStrong">{when}</Text>
        <Row gap="small">
          <Button rank="plain" title={copy.smaller} onPress={() => setLarge(null)} />
          <Button rank="plain" title={copy.remove} onPress={() => void remove(photo)} />
        </Row>
      </Row>
      <State model={model} photo={photo} />
    </Stack>
  );
}
