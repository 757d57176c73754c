import type { Instrument } from '@tembrin/contract';
import { usePreferences } from '@/state/preferences';
import { usePlayersOf } from '@/state/people';
import { Tick } from '@/ui/Choice';
import { Grid } from '@/ui/layout';
import { Text } from '@/ui/Text';

const LABEL = 'Who plays';

/** Who is at the stand, where several may be: one tap says it, and what is put on record is theirs. */
export function WhoPlays({ instrument }: { instrument: Instrument }) {
  const setPerson = usePreferences((state) => state.setPerson);
  const { players, current } = usePlayersOf(instrument.id);
  if (players.length < 2) return null;
  return (
    <Grid role="radiogroup" aria-label={LABEL} gap="small" align="center">
      <Text kind="small" tone="quiet" padRight="small">
        {LABEL}
      </Text>
      {players.map(({ id, name }) => (
        <Tick key={id} kind="radio" title={name} on={id === current?.id} onPress={() => setPerson(id)} />
      ))}
    </Grid>
  );
}
