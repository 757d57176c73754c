import type { Instrument } from '@tembrin/contract';
import { act } from '@/state/actions';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useWide } from '@/ui/theme';
import { Row, Stack } from '@/ui/layout';
import { dateWords } from '@/copy/dates';
import type { Moment } from '@/copy/lists';
import { copy } from '@/copy/screens/now/at-workshop';
import type { WorkshopStay } from '@tembrin/core/log';
import { dayOfDate, HOUR_MS, startOfLocalDay } from '@tembrin/core/time';
import { CallFor } from '../call-route';
import { OnStand } from './OnStand';

/** The stand while its instrument is at the workshop: nothing is asked of it; whoever takes it up says first that it is back. */
export function AtWorkshop({
  instrument,
  stay,
  moment: { nowMs, timeZone },
}: {
  instrument: Instrument;
  stay: WorkshopStay;
  moment: Moment;
}) {
  const wide = useWide();
  const date = (at: number) => dateWords(at, nowMs, timeZone);
  const expected = stay.expected === null ? null : startOfLocalDay(dayOfDate(stay.expected), timeZone) + 12 * HOUR_MS;
  const back = () =>
    void act(instrument.id, [{ type: 'fetched-back', payload: { stayId: stay.eventId } }], copy.backDone);
  return (
    <Screen bare title={instrument.name} foot={<Button title={copy.back} onPress={back} />}>
      <OnStand instrument={instrument} />
      <Row gap="one" minHeight={190}>
        <Stack gap="small" justify="center" grow>
          <Text kind="title" level={2}>
            {copy.title}
          </Text>
          <Text kind="figure">{date(expected ?? stay.at)}</Text>
          <Text kind="small" tone="quiet">
            {expected === null ? copy.since : copy.expected(date(stay.at), expected < nowMs)}
          </Text>
        </Stack>
        <Plate subject={instrument} height={wide ? 440 : 208} withBow />
      </Row>
      <Text>{copy.meanwhile}</Text>
      {stay.visitId !== null && (
        <LinkRow
          href={{ pathname: '/year/visits/[visit]', params: { visit: stay.visitId } }}
          title={copy.visit}
          text={copy.visitText}
        />
      )}
      <CallFor role="workshop" />
    </Screen>
  );
}
