import type { Instrument } from '@tembrin/contract';
import { useAssessment } from '@/state/assessments';
import { useLog } from '@/state/log';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Grid, Row, Stack } from '@/ui/layout';
import { fullDateWords } from '@/copy/dates';
import { copy } from '@/copy/screens/kit/give';
import { ofInstrument } from '../kit/for-instrument';
import { useGive, type GiveModel } from './use-handover';

/** Route: an instrument is handed over to another household. */
export const GiveRoute = ofInstrument(Give);

function Give({ instrument }: { instrument: Instrument }) {
  const model = useGive(instrument);
  const { offer, known, busy, make, complete } = model;
  const entries = useLog((state) => state.events[instrument.id]?.length ?? 0);
  const { timeZone } = useAssessment(instrument).log;
  const taker = offer?.taker ?? null;
  return (
    <Screen
      title={copy.title(instrument.name)}
      back={{ pathname: '/kit/[id]/passport', params: { id: instrument.id } }}
      foot={
        taker !== null ? (
          <Button title={copy.complete(taker)} busy={busy} onPress={complete} />
        ) : (
          !offer && <Button title={copy.offer} busy={busy} disabled={!known} onPress={make} />
        )
      }
    >
      <Row gap="one" align="center">
        <Plate subject={instrument} height={150} withBow />
        <Stack gap="small" grow>
          <Text>{copy.what(entries)}</Text>
        </Stack>
      </Row>
      <Text tone="quiet">{copy.how}</Text>
      {!known && <Text tone="quiet">{copy.offline}</Text>}
      {offer && <Offered model={model} timeZone={timeZone} />}
    </Screen>
  );
}

function Offered({ model, timeZone }: { model: GiveModel; timeZone: string }) {
  const { offer, url, copyLink, sendLink, canSend, withdraw } = model;
  if (!offer || url === null) return null;
  return (
    <Stack gap="small">
      {offer.taker === null ? (
        <Text role="status">{copy.waiting}</Text>
      ) : (
        <Banner tone="soon" text={`${copy.taker(offer.taker)} ${copy.final}`} />
      )}
      <Text kind="small" breaks>
        {url}
      </Text>
      <Text kind="small" tone="quiet">
        {copy.link(fullDateWords(timeZone)(Date.parse(offer.expiresAt)))}
      </Text>
      <Grid gap="small">
        <Button rank="outline" title={copy.copyLink} onPress={copyLink} />
        {canSend && <Button rank="outline" title={copy.sendLink} onPress={sendLink} />}
        <Button rank="plain" title={copy.withdraw} onPress={withdraw} />
      </Grid>
    </Stack>
  );
}
