import type { Household, Person } from '@tembrin/contract';
import { Redirect, useLocalSearchParams } from 'expo-router';
import { useHousehold } from '@/state/household';
import { Banner } from '@/ui/Banner';
import { Choice } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { SWEAT_TITLES } from '@/copy/screens/strings/hands';
import { copy } from '@/copy/screens/people/ways';
import { FAMILIES, schoolsOf, SWEATS, usualSide } from '@tembrin/core/instruments';
import { SCHOOLS, type SchoolId, type Side } from '@tembrin/core/schools';
import { School, useSaving } from '../kit/Schools';
import { changeWays, useSayable } from './use-ways';

/** Route: how somebody goes about it, whatever they play. */
export function WaysRoute() {
  const { person: id } = useLocalSearchParams<{ person: string }>();
  const household = useHousehold((state) => state.household)!;
  const person = household.people.find((each) => each.id === id && each.goneAt === null);
  const may = useSayable({ id });
  return person && may ? <Ways household={household} person={person} /> : <Redirect href="/kit/people" />;
}

const HANDS = [
  ...SWEATS.map((value) => ({ value, title: SWEAT_TITLES[value] })),
  { value: 'unsaid' as const, title: copy.unsaid },
];

function Ways({ household, person }: { household: Household; person: Person }) {
  const { problem, save } = useSaving();
  const { schools = {}, hands = null } = person;
  const say = (ways: Pick<Person, 'schools' | 'hands'>) =>
    void save(
      () => changeWays(person, { schools, hands, ...ways }),
      () => changeWays(person, { schools, hands }),
    );
  const played = household.instruments.filter(({ id }) => person.plays.includes(id)).map(({ family }) => family);
  const families = played.length > 0 ? FAMILIES.filter((family) => played.includes(family)) : FAMILIES;
  const choose = (id: SchoolId, side: Side | null) => {
    const { [id]: _dropped, ...others } = schools;
    say({ schools: side === null ? others : { ...others, [id]: side } });
  };
  return (
    <Screen
      title={copy.title(person.name)}
      broad
      back={{ pathname: '/kit/people/[person]', params: { person: person.id } }}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Text tone="quiet">{copy.whatItIs(person.name)}</Text>
      <Choice
        label={copy.hands}
        hint={copy.handsHint}
        options={HANDS}
        value={hands ?? 'unsaid'}
        onChange={(value) => say({ hands: value === 'unsaid' ? null : value })}
      />
      {SCHOOLS.filter((id) => families.some((family) => schoolsOf(family).includes(id))).map((id) => {
        const usual = [...new Set(families.map((family) => usualSide(id, family)))];
        const side = household.schools[id] ?? usual[0]!;
        return (
          <School
            key={id}
            id={id}
            chosen={schools[id] ?? null}
            usual={usual.length === 1 ? usual[0]! : null}
            followed={{ side, title: copy.asTheHousehold(side) }}
            note={null}
            onChoose={(wanted) => choose(id, wanted)}
          />
        );
      })}
    </Screen>
  );
}
