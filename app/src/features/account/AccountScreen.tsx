import type { Account } from '@tembrin/contract';
import { useState } from 'react';
import { router } from 'expo-router';
import { View } from 'react-native';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { copy, DEEDS } from '@/copy/screens/account/account';
import { useAccountPage, type AccountPage } from './use-account-page';

/** Where a change is made. */
const changeOf = (change: string) => ({ pathname: '/kit/account/[change]', params: { change } }) as const;

/** Deeds shown at first. */
const SHOWN = 6;

/** Route: the account, as its owner looks after it. */
export function AccountScreen() {
  const page = useAccountPage();
  const { account } = page;
  return (
    <Screen title="Account" back="/kit/household">
      {account === null ? (
        <Text tone="quiet">{copy.unknown}</Text>
      ) : (
        <>
          <Address account={account} page={page} />
          <View>
            <LinkRow href={changeOf('password')} title={copy.changePassword} text={copy.changePasswordText} />
            <LinkRow href={changeOf('address')} title={copy.changeAddress} text={copy.changeAddressText} />
          </View>
          <Passkeys account={account} page={page} />
          <SignIns account={account} page={page} />
          <Record account={account} page={page} />
          {account.goesAt === null && (
            <View>
              <LinkRow href={changeOf('leave')} title={copy.leave} text={copy.leaveText} />
            </View>
          )}
        </>
      )}
    </Screen>
  );
}

interface PartProps {
  account: Account;
  page: AccountPage;
}

function Address({ account, page }: PartProps) {
  const { email, change, deadSince, goesAt, taking } = account;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2} breaks>
        {email}
      </Text>
      {goesAt !== null && (
        <>
          <Banner tone="now" text={copy.goes(page.onDay(goesAt), taking)} />
          <Button title={copy.stay} busy={page.busy} onPress={page.stay} />
        </>
      )}
      {deadSince !== null && <Banner tone="now" text={copy.addressDead} />}
      {change && (
        <>
          <Banner tone="soon" text={`${copy.changing(change.email)} ${copy.stillAsked(change.atOld, change.atNew)}`} />
          <Button rank="plain" title={copy.keepThis} busy={page.busy} onPress={page.keep} start flush />
        </>
      )}
    </Stack>
  );
}

function Passkeys({ account: { passkeys, passkeysAt }, page }: PartProps) {
  const holdsHere = window.location.hostname === passkeysAt;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.passkeys}
      </Text>
      <Text tone="quiet">{holdsHere ? copy.passkeysText : copy.passkeysAt(passkeysAt)}</Text>
      {passkeys.map(({ id, name, addedAt, usedAt }) => (
        <Row key={id} gap="one" align="center" padY="small" rule="bottom">
          <Stack grow gap={2}>
            <Text kind="strong">{name}</Text>
            <Text kind="small" tone="quiet">
              {copy.passkeyRow(page.onDay(addedAt), usedAt && page.onDay(usedAt))}
            </Text>
          </Stack>
          <Button rank="plain" title={copy.remove} label={copy.removePasskey(name)} onPress={() => page.remove(id)} />
        </Row>
      ))}
      {holdsHere && (
        <Button rank="outline" title={copy.addPasskey} onPress={() => router.push(changeOf('passkey'))} start />
      )}
    </Stack>
  );
}

function SignIns({ account: { signIns }, page }: PartProps) {
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.signIns}
      </Text>
      {signIns.map(({ id, device, since, seen, here }) => (
        <Row key={id} gap="one" align="center" padY="small" minHeight={64} rule="bottom">
          <Stack grow gap={2}>
            <Text kind="strong">{device ?? copy.unknownDevice}</Text>
            <Text kind="small" tone="quiet">
              {copy.signInRow(page.onDay(since), page.lately(seen))}
            </Text>
          </Stack>
          {here ? (
            <Text kind="smallStrong" tone="well">
              {copy.here}
            </Text>
          ) : (
            <Button
              rank="plain"
              title={copy.endOne}
              label={copy.endOneLabel(device ?? copy.unknownDevice)}
              onPress={() => page.endThere(id)}
            />
          )}
        </Row>
      ))}
      {signIns.length > 1 && (
        <Button rank="outline" title={copy.endOthers} busy={page.busy} onPress={page.endOthers} start />
      )}
    </Stack>
  );
}

function Record({ account: { record }, page }: PartProps) {
  const [whole, setWhole] = useState(false);
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.record}
      </Text>
      {(whole ? record : record.slice(0, SHOWN)).map(({ at, deed, detail }) => (
        <Row key={`${at} ${deed}`} gap="one" align="baseline">
          <Text kind="small" tone="quiet" width={96}>
            {page.onDay(at)}
          </Text>
          <Stack grow>
            <Text kind="small">{DEEDS[deed]}</Text>
            {detail !== null && (
              <Text kind="small" tone="quiet" breaks>
                {detail}
              </Text>
            )}
          </Stack>
        </Row>
      ))}
      {!whole && record.length > SHOWN && (
        <Button rank="plain" title={copy.wholeRecord} onPress={() => setWhole(true)} start flush />
      )}
    </Stack>
  );
}
