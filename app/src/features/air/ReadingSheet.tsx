import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { NumberPair } from './NumberPair';
import { PUT_ON_RECORD } from '@/copy/common';
import { copy } from '@/copy/screens/air/reading-sheet';
import { useReading, type ReadingSheetProps } from './use-reading';

/** Puts on record what a hygrometer shows, with its lowest and highest since the last look where it remembers them. */
export function ReadingSheet({ onClose, placeId }: ReadingSheetProps) {
  const {
    places,
    temperatures,
    chosen,
    setChosen,
    readable,
    setSensorId,
    sensor,
    text,
    errors,
    problem,
    busy,
    set,
    save,
  } = useReading({ onClose, placeId });

  return (
    <Sheet
      title={copy.readAHygrometer}
      onClose={onClose}
      foot={<Button title={PUT_ON_RECORD} busy={busy} onPress={() => void save()} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      {places.length > 1 && (
        <Choice
          label="Where"
          options={places.map(({ id, name }) => ({ value: id, title: name }))}
          value={chosen}
          onChange={setChosen}
        />
      )}
      {readable.length > 1 && (
        <Choice
          label="Which one"
          options={readable.map(({ id, name }) => ({ value: id, title: name }))}
          value={sensor?.id ?? null}
          onChange={setSensorId}
        />
      )}
      <NumberPair
        pair={[
          { label: 'Humidity in %', value: text.rh, onChange: set('rh'), error: errors.rh, first: true },
          { label: `Temperature in °${temperatures}`, value: text.temp, onChange: set('temp'), error: errors.temp },
        ]}
        onSubmit={() => void save()}
      />
      <NumberPair
        pair={[
          { label: copy.lowestIfItSays, value: text.low, onChange: set('low'), error: errors.low },
          { label: copy.highestIfItSays, value: text.high, onChange: set('high'), error: errors.high },
        ]}
        onSubmit={() => void save()}
      />
      <Text kind="small" tone="quiet">
        {copy.lowestAndHighestSince}
      </Text>
    </Sheet>
  );
}
