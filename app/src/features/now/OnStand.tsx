import type { Instrument } from '@tembrin/contract';
import ChevronDown from 'lucide-react-native/icons/chevron-down';
import { useState } from 'react';
import { useHousehold } from '@/state/household';
import { usePreferences } from '@/state/preferences';
import { usePalette } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { asOfWords } from '@/copy/dates';
import { kindWords } from '@/copy/names';
import { AS_OF } from '@/opening/kept-stand';
import { useAsOf } from '@/state/assessments';
import { Press, Row, Stack } from '@/ui/layout';
import { PutAnother } from './put-another';
import { copy } from '@/copy/screens/now/on-stand';

/** Which instrument is on the stand, and a way to put another there. */
export function OnStand({ instrument }: { instrument: Instrument }) {
  const household = useHousehold((state) => state.household)!;
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
      {open && <PutAnother instrument={instrument} onClose={() => setOpen(false)} />}
    </Row>
  );
}
