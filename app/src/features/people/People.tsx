import type { Person } from '@tembrin/contract';
import { router } from 'expo-router';
import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Press, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/people/people';
import { useInstrumentNames, usePeoplePage } from './use-people';

/** Route: the people of the household. */
export function People() {
  const page = usePeoplePage();
  const { present, gone, invited, mayArrange, demo } = page;
  return (
    <Screen
      title={copy.people}
      back="/kit/household"
      foot={
        mayArrange ? (
          <Button rank="outline" title={copy.add} onPress={() => router.push('/kit/people/add')} />
        ) : undefined
      }
    >
      <View role="list" aria-label={copy.people}>
        {present.map((person) => (
          <PersonRow key={person.id} person={person} invited={invited.has(person.id)} />
        ))}
      </View>
      {present.length === 1 && mayArrange && <Empty title={copy.alone} text={copy.aloneText} />}
      {gone.length > 0 && (
        <Stack gap="small">
          <Text kind="heading" level={2}>
            {copy.gone}
          </Text>
          {gone.map(({ id, name, goneAt }) => (
            <Text key={id} kind="small" tone="quiet">
              {name}. {copy.goneSince(page.onDay(goneAt!))}
            </Text>
          ))}
        </Stack>
      )}
      <Households page={page} />
      {!demo && present.length > 1 && (
        <Stack gap="small">
          {page.leaving && <Text kind="small">{copy.leaveAsk}</Text>}
          <Button rank="plain" title={copy.leave} busy={page.busy} onPress={page.leave} start flush />
        </Stack>
      )}
    </Screen>
  );
}

function PersonRow({ person, invited }: { person: Person; invited: boolean }) {
  const names = useInstrumentNames();
  const { id, name, role, plays, looksAfter, me, account } = person;
  const standing = me ? copy.you : account ? copy.signsIn : invited ? copy.invited : copy.noAccount;
  const text = copy.row(role, names(plays), names(looksAfter));
  return (
    <View role="listitem">
      <LinkRow
        href={{ pathname: '/kit/people/[person]', params: { person: id } }}
        label={`${name}. ${standing}. ${text}`}
      >
        <Row align="baseline" justify="between" gap="one">
          <Text kind="heading" shrink>
            {name}
          </Text>
          <Text kind="small" tone={me ? 'well' : 'quiet'}>
            {standing}
          </Text>
        </Row>
        <Text kind="small" tone="quiet">
          {text}
        </Text>
      </LinkRow>
    </View>
  );
}

/** The households one belongs to, where there are several. */
function Households({ page: { households, open } }: { page: ReturnType<typeof usePeoplePage> }) {
  if (households.length < 2) return null;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.households}
      </Text>
      <View>
        {households.map(({ id, name, role, here }) => (
          <Press
            key={id}
            role="button"
            aria-pressed={here}
            onPress={() => !here && open(id)}
            touch
            padY="half"
            rule="bottom"
            mark={here ? true : 'room'}
            padLeft="half"
          >
            <Text kind="strong">{name}</Text>
            <Text kind="small" tone="quiet">
              {copy.householdRow(role, here)}
            </Text>
          </Press>
        ))}
      </View>
    </Stack>
  );
}
