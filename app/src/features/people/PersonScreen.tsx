import type { Person } from '@tembrin/contract';
import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { refreshHousehold, useHousehold } from '@/state/household';
import { notify } from '@/state/notice';
import { useMay } from '@/state/people';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { copy, waysWords } from '@/copy/screens/people/person';
import { ROLE_WORDS } from '@/copy/screens/people/people';
import { ROLES, type PersonFacts, type Role } from '@tembrin/core/people';
import { useForm } from '../account/use-form';
import { keepPerson, lostKeys, useInviting } from './use-people';
import { usePlayed, useSayable } from './use-ways';

const ROLE_OPTIONS = ROLES.map((value) => ({ value, title: ROLE_WORDS[value].title }));

/** Route: a person who is added. */
export function AddPerson() {
  return <PersonForm person={null} />;
}

/** Route: a person of the household. */
export function PersonRoute() {
  const { person: id } = useLocalSearchParams<{ person: string }>();
  const person = useHousehold((state) =>
    state.household!.people.find((each) => each.id === id && each.goneAt === null),
  );
  return person ? (
    <PersonForm key={`${person.id} ${person.version}`} person={person} />
  ) : (
    <Redirect href="/kit/people" />
  );
}

/** What somebody does here, and with which instruments. */
function usePersonForm(person: Person | null) {
  const [role, setRole] = useState<Role>(person?.role ?? 'player');
  const there = useHousehold((state) => state.household!.instruments);
  // Instruments that went meanwhile are nobody's any more.
  const still = (ids: readonly string[] = []) => there.flatMap(({ id }) => (ids.includes(id) ? [id] : []));
  const [plays, setPlays] = useState<string[]>(() => still(person?.plays));
  const [looksAfter, setLooksAfter] = useState<string[]>(() => still(person?.looksAfter));
  const form = useForm({ name: person?.name ?? '' }, async ({ name }) => {
    const facts: PersonFacts = { name, role, plays, looksAfter };
    const kept = await keepPerson(person, facts);
    await refreshHousehold();
    if (person) return notify(lostKeys(person, role) ? copy.keysClosed(name) : copy.saved);
    router.replace({ pathname: '/kit/people/[person]', params: { person: kept.id } });
    notify(copy.added(kept.name));
  });
  const same = (one: readonly string[], other: readonly string[]) => still(one).join() === still(other).join();
  const changed =
    person === null ||
    form.line('name').value !== person.name ||
    role !== person.role ||
    !same(plays, person.plays) ||
    !same(looksAfter, person.looksAfter);
  return { ...form, role, setRole, plays, setPlays, looksAfter, setLooksAfter, changed };
}

function PersonForm({ person }: { person: Person | null }) {
  const form = usePersonForm(person);
  const instruments = useHousehold((state) => state.household!.instruments);
  const may = useMay('people');
  const options = instruments.map(({ id, name }) => ({ value: id, title: name }));
  return (
    <Screen
      title={person?.name ?? copy.newPerson}
      back="/kit/people"
      foot={
        may && form.changed ? (
          <Button title={person ? copy.save : copy.addIt} busy={form.busy} onPress={form.send} />
        ) : undefined
      }
    >
      {form.problem !== null && <Banner tone="now" text={form.problem} />}
      {may ? (
        <Stack gap="more">
          <Field label={copy.name} hint={copy.nameHint} {...form.line('name')} />
          <Choice
            label={copy.role}
            hint={ROLE_WORDS[form.role].text}
            options={ROLE_OPTIONS}
            value={form.role}
            onChange={form.setRole}
          />
          {options.length > 0 && (
            <>
              <Choices label={copy.plays} options={options} values={form.plays} onChange={form.setPlays} />
              {form.role !== 'player' && (
                <Choices
                  label={copy.looksAfter}
                  options={options}
                  values={form.looksAfter}
                  onChange={form.setLooksAfter}
                />
              )}
            </>
          )}
        </Stack>
      ) : (
        <Stack gap="small">
          <Text>{ROLE_WORDS[form.role].text}</Text>
          <Text tone="quiet">{copy.onlyLook}</Text>
        </Stack>
      )}
      {person && <OwnWays person={person} />}
      {person && may && <SigningIn person={person} />}
    </Screen>
  );
}

/** Their own sides and hands, and how much they play what. */
function OwnWays({ person }: { person: Person }) {
  const may = useSayable(person);
  const played = usePlayed(person);
  return (
    <Stack gap="small">
      {played.length > 0 && (
        <Stack role="list" aria-label={copy.playing} gap="hair">
          {played.map(({ id, text }) => (
            <Text key={id} role="listitem" tone="quiet">
              {text}
            </Text>
          ))}
        </Stack>
      )}
      {may && (
        <LinkRow
          href={{ pathname: '/kit/people/[person]/ways', params: { person: person.id } }}
          title={copy.ways}
          text={waysWords(person)}
        />
      )}
    </Stack>
  );
}

function SigningIn({ person }: { person: Person }) {
  const inviting = useInviting(person);
  const { invitation, until } = inviting;
  const demo = useHousehold((state) => state.household!.demo);
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.account}
      </Text>
      <Text>{person.account ? copy.signsIn(person.name) : copy.noAccount(person.name)}</Text>
      {demo && <Text tone="quiet">{copy.demo}</Text>}
      {!demo && !person.account && !invitation && <Invite inviting={inviting} />}
      {invitation && (
        <>
          <Text tone="quiet">
            {invitation.email === null ? copy.goodUntil(until!) : copy.sentTo(invitation.email, until!)}
          </Text>
          <Text kind="small" breaks>
            {inviting.url}
          </Text>
          <Row gap="small">
            <Button rank="outline" title={copy.copyLink} onPress={inviting.copyLink} />
            {inviting.canSend && <Button rank="outline" title={copy.sendLink} onPress={inviting.sendLink} />}
          </Row>
          <Button rank="plain" title={copy.takeBack} busy={inviting.busy} onPress={inviting.takeBack} start flush />
        </>
      )}
      {!person.me && (
        <>
          {inviting.removing && <Text kind="small">{copy.removeAsk(person.name)}</Text>}
          <Button rank="plain" title={copy.remove} busy={inviting.busy} onPress={inviting.remove} start flush />
        </>
      )}
    </Stack>
  );
}

function Invite({ inviting }: { inviting: ReturnType<typeof useInviting> }) {
  const form = useForm({ email: '' }, ({ email }) => inviting.invite(email));
  return (
    <Stack gap="one">
      <Text tone="quiet">{copy.inviteText}</Text>
      {form.problem !== null && <Banner tone="now" text={form.problem} />}
      <Field label={copy.inviteAddress} inputMode="email" autoComplete="off" {...form.line('email')} />
      <Stack gap="small">
        <Button rank="outline" title={copy.send} busy={form.busy} onPress={form.send} start />
        <Button rank="plain" title={copy.makeLink} busy={inviting.busy} onPress={inviting.makeLink} start flush />
      </Stack>
    </Stack>
  );
}
