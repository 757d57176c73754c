import type { PartId } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { GAP, usePalette } from '@/ui/theme';
import { PartScreen } from '../part/PartScreen';

interface PanesProps {
  first: ReactNode;
  due: ReactNode;
  instrument: Instrument;
  /** Part whose working is open; the list of what is due otherwise. */
  part: PartId | null;
}

/** A wide stand: the instrument on the left, on the right what is due or the working of one part. */
export function Panes({ first, due, instrument, part }: PanesProps) {
  const { line } = usePalette();
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1 }}>{first}</View>
      <View style={{ flex: 1, borderLeftWidth: 1, borderLeftColor: line }}>
        {part ? (
          <PartScreen key={part} instrument={instrument} part={part} back="/now" second />
        ) : (
          <ScrollView role="complementary" aria-label="What is due" contentContainerStyle={{ padding: GAP.two }}>
            {due}
          </ScrollView>
        )}
      </View>
    </View>
  );
}
