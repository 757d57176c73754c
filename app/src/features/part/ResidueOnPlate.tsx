import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { Tick } from '@/ui/Choice';
import { Plate, type ZoneMarks } from '@/ui/Plate';
import { Text } from '@/ui/Text';
import { RESIDUE_NAMES, ZONE_NAMES } from '@/copy/names';
import { rungFor, type ResidueState, type ZoneResidue } from '@tembrin/core/care';
import type { Schools } from '@tembrin/core/schools';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/part/residue-on-plate';

const HARDNESS: readonly ResidueState[] = ['clean', 'fresh', 'settling', 'caked'];

/** Residue where it lies, and for the zone chosen the mildest rung of the ladder that still works. */
export function ResidueOnPlate({
  instrument,
  schools,
  zones,
}: {
  instrument: Instrument;
  schools: Schools;
  zones: readonly ZoneResidue[];
}) {
  const worst = zones.reduce((a, b) => (HARDNESS.indexOf(b.state) > HARDNESS.indexOf(a.state) ? b : a));
  const [picked, setPicked] = useState<string | null>(null);
  const shown = zones.find(({ zone }) => zone === picked) ?? worst;
  const rung = rungFor(instrument, schools, shown);
  const marks: ZoneMarks = Object.fromEntries(
    zones.flatMap(({ zone, state }) => (state === 'clean' ? [] : [[zone, state]])),
  );
  return (
    <Stack gap="one">
      <Row gap="one">
        <Plate
          subject={instrument}
          height={290}
          withBow
          marks={marks}
          onZone={setPicked}
          zones={zones.map(({ zone }) => zone)}
          label={zones
            .map(({ zone, state }) => `${ZONE_NAMES[zone].toLowerCase()} ${RESIDUE_NAMES[state].toLowerCase()}`)
            .join(', ')}
        />
        <Stack role="radiogroup" aria-label="Zones" gap="small" justify="center" grow>
          {zones.map(({ zone, state }) => (
            <Tick
              key={zone}
              kind="radio"
              title={`${ZONE_NAMES[zone]}: ${RESIDUE_NAMES[state].toLowerCase()}`}
              on={zone === shown.zone}
              onPress={() => setPicked(zone)}
            />
          ))}
        </Stack>
      </Row>
      <Stack padTop="half" gap="hair" rule="top">
        <Text kind="heading" level={2}>
          {rung ? `${ZONE_NAMES[shown.zone]}: rung ${rung.rung} of 4` : copy.nothingToDo(ZONE_NAMES[shown.zone])}
        </Text>
        <Text>{rung?.does ?? copy.nothingWasPlayedSince}</Text>
        {rung?.caution && (
          <Text kind="small" tone="now">
            {rung.caution}
          </Text>
        )}
        <Text kind="small" tone="quiet">
          {copy.alwaysTheMildestRung}
        </Text>
      </Stack>
    </Stack>
  );
}
