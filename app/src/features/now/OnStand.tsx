import type { Instrument } from '@tembrin/contract';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useState } from 'react';
import { View } from 'react-native';
import { useHousehold } from '@/state/household';
import { usePreferences } from '@/state/preferences';
import { Plate } from '@/ui/Plate';
import { Sheet } from '@/ui/Sheet';
import { usePalette } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { asOfWords } from '@/copy/dates';
import { kindWords } from '@/copy/names';
import { AS_OF } from '@/opening/kept-stand';
import { useAsOf } from '@/state/assessments';
import { Press, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/now/on-stand';

/** Which instrument is on the stand, and a way to put another there. */
export function OnStand({ instrument }: { instrument: Instrument }) {
  const household = useHousehold((state) => state.household)!;
  const putOnStand = usePreferences((state) => state.putOnStand);
  const lengths = usePreferences((state) => state.lengths);
  const [open, setOpen] = useState(false);
  const several = household.instruments.length > 1;
  const asOf = useAsOf(instrument.id);
  const kind = kindWords(instrument, lengths);
  const name = (
    <Stack shrink>
      <Text kind="title" level={1} numberOfLines={1}>
        {instrument.name}
      </Text>
      <Text kind="small" tone="quiet">
        {kind}
      </Text>
    </Stack>
  );
  const { text } = usePalette();
  return (
    <Row align="center" touch>
      {several ? (
        <Press
          role="button"
          aria-label={copy.isOnTheStand(instrument.name, kind)}
          onPress={() => setOpen(true)}
          row
          gap="half"
          align="center"
          shrink
          touch
        >
          {name}
          <ChevronDown size={24} color={text} aria-hidden />
        </Press>
      ) : (
        name
      )}
      {/* At the end of the line, so that nothing moves as it goes. */}
      <Text kind="small" tone="quiet" id={AS_OF} end grow>
        {asOf !== null && asOfWords(asOf, household.timeZone)}
      </Text>
      {open && (
        <Sheet title={copy.onTheStand} onClose={() => setOpen(false)}>
          <View>
            {household.instruments.map((other) => (
              <StandChoice
                key={other.id}
                instrument={other}
                chosen={other.id === instrument.id}
                onPress={() => {
                  setOpen(false);
                  putOnStand(other.id);
                }}
              />
            ))}
          </View>
        </Sheet>
      )}
    </Row>
  );
}

function StandChoice({
  instrument,
  chosen,
  onPress,
}: {
  instrument: Instrument;
  chosen: boolean;
  onPress: () => void;
}) {
  const lengths = usePreferences((state) => state.lengths);
  return (
    <Press
      role="button"
      aria-pressed={chosen}
      onPress={onPress}
      row
      align="center"
      gap="one"
      minHeight={64}
      rule="bottom"
      mark={chosen ? true : 'room'}
      padLeft="half"
    >
      <Stack align="center" width={40}>
        <Plate subject={instrument} height={54} />
      </Stack>
      <Stack grow>
        <Text kind="strong">{instrument.name}</Text>
        <Text kind="small" tone="quiet">
          {kindWords(instrument, lengths)}
        </Text>
      </Stack>
    </Press>
  );
}
