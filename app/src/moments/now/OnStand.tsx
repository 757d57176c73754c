import type { Instrument } from '@tembrin/contract';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useState } from 'react';
import { Pressable, View } from 'react-native';
import { useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { Plate } from '@/ui/Plate';
import { Sheet } from '@/ui/Sheet';
import { GAP, TOUCH, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { kindWords } from '@/words/names';

/** Which instrument is on the stand, and a way to put another there. */
export function OnStand({ instrument }: { instrument: Instrument }) {
  const household = useHousehold((state) => state.household)!;
  const putOnStand = useLook((state) => state.putOnStand);
  const { text } = usePalette();
  const [open, setOpen] = useState(false);
  const several = household.instruments.length > 1;
  const name = (
    <View style={{ flexShrink: 1 }}>
      <Words kind="title" level={1} numberOfLines={1}>
        {instrument.name}
      </Words>
      <Words kind="small" tone="quiet">
        {kindWords(instrument)}
      </Words>
    </View>
  );
  return (
    <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: TOUCH }}>
      {several ? (
        <Pressable
          role="button"
          aria-label={`${instrument.name} is on the stand. Put another there`}
          onPress={() => setOpen(true)}
          style={{ flexDirection: 'row', alignItems: 'center', gap: GAP.half, minHeight: TOUCH, flexShrink: 1 }}
        >
          {name}
          <ChevronDown size={24} color={text} aria-hidden />
        </Pressable>
      ) : (
        name
      )}
      {open && (
        <Sheet title="On the stand" onClose={() => setOpen(false)}>
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
    </View>
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
  const { line, accent } = usePalette();
  return (
    <Pressable
      role="button"
      aria-pressed={chosen}
      onPress={onPress}
      style={{
        flexDirection: 'row',
        alignItems: 'center',
        gap: GAP.one,
        minHeight: 64,
        borderBottomWidth: 1,
        borderBottomColor: line,
        borderLeftWidth: 4,
        borderLeftColor: chosen ? accent : 'transparent',
        paddingLeft: GAP.half,
      }}
    >
      <View style={{ width: 40, alignItems: 'center' }}>
        <Plate subject={instrument} height={54} />
      </View>
      <View style={{ flex: 1 }}>
        <Words kind="strong">{instrument.name}</Words>
        <Words kind="small" tone="quiet">
          {kindWords(instrument)}
        </Words>
      </View>
    </Pressable>
  );
}
