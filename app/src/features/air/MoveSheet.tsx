import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { useAir } from '@/state/air';
import { act } from '@/state/actions';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { WhenField } from '../part/WhenField';
import { whenToMs, type When } from '../part/when';
import { useMoment } from './where';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/air/move-sheet';

interface MoveSheetProps {
  instrument: Instrument;
  home: { placeId: string | null; cased: boolean } | null;
  onClose: () => void;
}

const AWAY = 'away';

/** Says where an instrument lives from a day on. Moves stay in its log, so that its wood takes its history along. */
export function MoveSheet({ instrument, home, onClose }: MoveSheetProps) {
  const places = useAir((state) => state.air)?.places ?? [];
  const { nowMs, timeZone } = useMoment();
  const [placeId, setPlaceId] = useState<string | null>(home?.placeId ?? places[0]?.id ?? null);
  const [cased, setCased] = useState(home?.cased ?? (instrument.setUp.case !== 'none' && !instrument.setUp.stand));
  const [when, setWhen] = useState<When>({ kind: 'ago', months: 0 });
  const place = places.find(({ id }) => id === placeId);
  const save = async () => {
    const at = whenToMs(when, nowMs, timeZone);
    onClose();
    await act(
      instrument.id,
      [{ type: 'moved', payload: { placeId, cased: place?.kind === 'case' || cased }, at: at ?? undefined }],
      place ? `${instrument.name} lives in ${place.name}.` : `${instrument.name} is away.`,
    );
  };
  if (places.length === 0) {
    return (
      <Sheet
        title={`Where ${instrument.name} lives`}
        onClose={onClose}
        foot={<Button title={copy.addARoom} onPress={() => router.push('/air/add')} />}
      >
        <Text>{copy.thereIsNoRoom}</Text>
      </Sheet>
    );
  }
  return (
    <Sheet
      title={`Where ${instrument.name} lives`}
      onClose={onClose}
      foot={<Button title={PUT_ON_RECORD} onPress={() => void save()} />}
    >
      <Choice
        label="Place"
        options={[
          ...places.map(({ id, name }) => ({ value: id, title: name })),
          { value: AWAY, title: copy.awayFromHome },
        ]}
        value={placeId ?? AWAY}
        onChange={(value) => setPlaceId(value === AWAY ? null : value)}
      />
      {place?.kind === 'room' && (
        <Choice
          label={copy.howItIsKept}
          options={[
            { value: true, title: copy.inItsClosedCase },
            { value: false, title: copy.inTheOpen },
          ]}
          value={cased}
          onChange={setCased}
        />
      )}
      <WhenField label="Since when" value={when} onChange={setWhen} nowMs={nowMs} timeZone={timeZone} />
    </Sheet>
  );
}
