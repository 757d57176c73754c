import type { Card } from '@tembrin/contract';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useAssessmentStore } from '@/state/assessment-store';
import { addCards, useCards } from '@/state/cards';
import { usePreferences } from '@/state/preferences';
import { useFreshShares } from '@/state/shares';
import { useSubjectNames, useYear } from '@/state/year';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { copy } from '@/copy/screens/visits/visit';
import { isOver, MOST_SHEETS } from '@tembrin/core/visits';
import { openVisitFor } from './begin';
import { composedFor, useVisitStates } from './briefs';
import { useAsking } from '../asking';
import { useDates } from './use-visit';

/** Visits to the workshop, those under way first, and what is due gathered into one. */
export function Visits() {
  useFreshShares();
  const visits = useCards('visit');
  const states = useVisitStates();
  const { gatherable, gather, busy } = useGathering();
  const open = visits.filter(({ id }) => !isOver(states.get(id)!));
  const past = visits.filter(({ id }) => isOver(states.get(id)!));
  return (
    <Screen
      title={copy.visits}
      back="/year"
      foot={
        gatherable.length > 0 ? (
          <Button title={copy.gather(gatherable.map(({ name }) => name))} busy={busy} onPress={gather} />
        ) : undefined
      }
    >
      {visits.length === 0 && <Empty title={copy.none} text={copy.noneText} />}
      <List title={copy.open} visits={[...open].reverse()} />
      <List title={copy.past} visits={[...past].reverse()} />
    </Screen>
  );
}

function List({ title, visits }: { title: string; visits: readonly Card<'visit'>[] }) {
  const states = useVisitStates();
  const briefs = useCards('brief');
  const names = useSubjectNames();
  const { ofDate } = useDates();
  if (visits.length === 0) return null;
  const namesOf = ({ briefIds }: Card<'visit'>['facts']) =>
    briefs.flatMap((card) => (briefIds.includes(card.id) ? (names.get(card.facts.instrumentId) ?? []) : []));
  return (
    <View>
      <Text kind="heading" level={2}>
        {title}
      </Text>
      {visits.map(({ id, facts }) => (
        <LinkRow
          key={id}
          href={{ pathname: '/year/visits/[visit]', params: { visit: id } }}
          title={copy.title(namesOf(facts))}
          text={copy.row(states.get(id)!, facts.date === null ? null : ofDate(facts.date))}
        />
      ))}
    </View>
  );
}

/** The next visit of the year, with a brief for each of its instruments, made with one press. */
function useGathering() {
  const { visits, items } = useYear();
  const assessed = useAssessmentStore((state) => state.byInstrument);
  const lengths = usePreferences((state) => state.lengths);
  const names = useSubjectNames();
  const briefs = useCards('brief');
  const kept = useCards('visit');
  const states = useVisitStates();
  const { busy, ask } = useAsking();
  const inOpen = new Set(kept.flatMap(({ id, facts }) => (isOver(states.get(id)!) ? [] : facts.briefIds)));
  const beingSeenTo = new Set(briefs.flatMap((card) => (inOpen.has(card.id) ? [card.facts.instrumentId] : [])));
  const next = visits[0];
  const ids = [...new Set(next?.items.map(({ instrumentId }) => instrumentId) ?? [])]
    .filter((id) => !beingSeenTo.has(id) && assessed[id])
    .slice(0, MOST_SHEETS);
  const gather = () =>
    void ask(async () => {
      const made = await addCards(
        ids.map((instrumentId) => ({
          kind: 'brief' as const,
          facts: { ...composedFor(assessed[instrumentId]!, items, lengths), instrumentId },
        })),
        null,
      );
      const visit = await openVisitFor(made.map(({ id }) => id));
      router.push({ pathname: '/year/visits/[visit]', params: { visit } });
    });
  return { gatherable: ids.map((id) => ({ id, name: names.get(id) ?? '' })), gather, busy };
}
