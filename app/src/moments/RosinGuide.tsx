import { ROSIN_GUIDE_DATA, type RosinGuideId } from '@tembrin/core';
import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Sheet } from '@/ui/Sheet';
import { GAP } from '@/ui/theme';
import { Words } from '@/ui/Words';

/** A small guide for rosin that is not everyday. */
export function RosinGuide({ id, child, onClose }: { id: RosinGuideId; child: boolean; onClose: () => void }) {
  const { title, steps, caution, adult } = ROSIN_GUIDE_DATA[id];
  return (
    <Sheet title={title} onClose={onClose} foot={<Button title="Got it" onPress={onClose} />}>
      {adult && child && <Words kind="strong">An adult does this.</Words>}
      <View role="list" style={{ gap: GAP.half }}>
        {steps.map((step, at) => (
          <View key={step} role="listitem" style={{ flexDirection: 'row', gap: GAP.half, alignItems: 'baseline' }}>
            <Words kind="heading" tone="accent" style={{ width: 16 }}>
              {at + 1}
            </Words>
            <Words style={{ flex: 1 }}>{step}</Words>
          </View>
        ))}
      </View>
      {caution && (
        <Words kind="small" tone="now">
          {caution}
        </Words>
      )}
    </Sheet>
  );
}
