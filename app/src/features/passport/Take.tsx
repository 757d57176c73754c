import { usualFacts } from '@tembrin/core/instruments';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { FAMILY_NAMES } from '@/copy/names';
import { copy } from '@/copy/screens/kit/give';
import { useTake } from './use-handover';

/** Route: an instrument that another household offers to this one. */
export function Take() {
  const { offer, problem, busy, take, open } = useTake();
  return (
    <Screen
      title={copy.take}
      back="/kit"
      foot={
        offer?.done ? (
          <Button title={copy.open} onPress={open} />
        ) : (
          offer && !offer.mine && <Button title={copy.takeIt} busy={busy} onPress={take} />
        )
      }
    >
      {problem !== null && (
        <Text tone="now" role="alert">
          {problem}
        </Text>
      )}
      {offer && (
        <>
          <Row gap="one" align="center">
            <Plate subject={usualFacts(offer.family)} height={220} withBow />
            <Stack gap="small" grow>
              <Text kind="title" level={2}>
                {offer.name}
              </Text>
              <Text>{FAMILY_NAMES[offer.family]}</Text>
              <Text kind="small" tone="quiet">
                {copy.from(offer.from)}
              </Text>
            </Stack>
          </Row>
          <Text>{copy.comes(offer.entries, offer.photos)}</Text>
          {offer.mine && <Text role="status">{offer.done ? copy.here : copy.said(offer.from)}</Text>}
        </>
      )}
    </Screen>
  );
}
