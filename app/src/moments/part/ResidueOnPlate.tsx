import { rungFor, type ResidueState, type Schools, type ZoneResidue } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { Tick } from '@/ui/Choice';
import { Plate, type ZoneMarks } from '@/ui/Plate';
import { GAP, usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { RESIDUE_NAMES, ZONE_NAMES } from '@/words/names';

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
  const { line } = usePalette();
  const worst = zones.reduce((a, b) => (HARDNESS.indexOf(b.state) > HARDNESS.indexOf(a.state) ? b : a));
  const [picked, setPicked] = useState<string | null>(null);
  const shown = zones.find(({ zone }) => zone === picked) ?? worst;
  const rung = rungFor(instrument, schools, shown);
  const marks: ZoneMarks = Object.fromEntries(
    zones.flatMap(({ zone, state }) => (state === 'clean' ? [] : [[zone, state]])),
  );
  return (
    <View style={{ gap: GAP.one }}>
      <View style={{ flexDirection: 'row', gap: GAP.one }}>
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
        <View role="radiogroup" aria-label="Zones" style={{ flex: 1, gap: GAP.small, justifyContent: 'center' }}>
          {zones.map(({ zone, state }) => (
            <Tick
              key={zone}
              kind="radio"
              title={`${ZONE_NAMES[zone]}: ${RESIDUE_NAMES[state].toLowerCase()}`}
              on={zone === shown.zone}
              onPress={() => setPicked(zone)}
            />
          ))}
        </View>
      </View>
      <View style={{ gap: GAP.hair, borderTopWidth: 1, borderTopColor: line, paddingTop: GAP.half }}>
        <Words kind="heading" level={2}>
          {rung ? `${ZONE_NAMES[shown.zone]}: rung ${rung.rung} of 4` : `${ZONE_NAMES[shown.zone]}: nothing to do`}
        </Words>
        <Words>{rung?.does ?? 'Nothing was played since it was wiped.'}</Words>
        {rung?.caution && (
          <Words kind="small" tone="now">
            {rung.caution}
          </Words>
        )}
        <Words kind="small" tone="quiet">
          Always the mildest rung that works. Never furniture polish, wax, silicone, ammonia, wipes, or anything sprayed
          on.
        </Words>
      </View>
    </View>
  );
}
