import type { Instrument } from '@tembrin/contract';
import { View } from 'react-native';
import { useHousehold } from '@/state/household';
import { usePreferences } from '@/state/preferences';
import { Plate } from '@/ui/Plate';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { kindWords } from '@/copy/names';
import { Press, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/now/on-stand';

/** Which instrument is put on the stand. */
export function PutAnother({ instrument, onClose }: { instrument: Instrument; onClose: () => void }) {
  const { instruments } = useHousehold((state) => state.household)!;
  const putOnStand = usePreferences((state) => state.putOnStand);
  return (
    <Sheet title={copy.onTheStand} onClose={onClose}>
      <View>
        {instruments.map((other) => (
          <StandChoice
            key={other.id}
            instrument={other}
            chosen={other.id === instrument.id}
            onPress={() => {
              onClose();
              putOnStand(other.id);
            }}
          />
        ))}
      </View>
    </Sheet>
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
