import { Button } from '@/ui/Button';
import { NumberedSteps } from '@/ui/NumberedSteps';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { ROSIN_GUIDE_DATA, type RosinGuideId } from '@tembrin/core/bow';
import { copy } from '@/copy/screens/rosin-guide';

/** A small guide for rosin that is not everyday. */
export function RosinGuide({ id, child, onClose }: { id: RosinGuideId; child: boolean; onClose: () => void }) {
  const { title, steps, caution, adult } = ROSIN_GUIDE_DATA[id];
  return (
    <Sheet title={title} onClose={onClose} foot={<Button title="Got it" onPress={onClose} />}>
      {adult && child && <Text kind="strong">{copy.anAdultDoesThis}</Text>}
      <NumberedSteps steps={steps} />
      {caution && (
        <Text kind="small" tone="now">
          {caution}
        </Text>
      )}
    </Sheet>
  );
}
