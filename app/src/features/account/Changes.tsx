import { Redirect, router, useLocalSearchParams } from 'expo-router';
import { changeAddress, changePassword, leaveForGood, useAccount } from '@/state/account';
import { notify } from '@/state/notice';
import { loadPasskeys } from '@/state/load-seldom';
import { Banner } from '@/ui/Banner';
import { Field } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Text } from '@/ui/Text';
import { copy } from '@/copy/screens/account/forms';
import { FormScreen } from './FormScreen';
import { useForm } from './use-form';
import { useKnownAccount } from './use-account-page';

const HERE = '/kit/account';

/** Back on the account's page, with a word of what was done. */
function done(text: string): void {
  if (router.canGoBack()) router.back();
  else router.replace(HERE);
  notify(text);
}

/** Another password. */
function ChangePassword() {
  const form = useForm({ password: '', next: '' }, async (values) => {
    await changePassword(values);
    done(copy.passwordChanged);
  });
  return (
    <FormScreen title={copy.changePassword} back={HERE} action={copy.changePassword} {...form}>
      <Field label={copy.passwordHad} secureTextEntry autoComplete="current-password" {...form.line('password')} />
      <Field
        label={copy.passwordNew}
        hint={copy.passwordHint}
        secureTextEntry
        autoComplete="new-password"
        {...form.line('next')}
      />
    </FormScreen>
  );
}

/** Another address. */
function ChangeAddress() {
  const mail = useKnownAccount()?.mail ?? true;
  const form = useForm({ email: '', password: '' }, async (values) => {
    await changeAddress(values);
    done(copy.linksSent);
  });
  return (
    <FormScreen
      title={copy.changeAddress}
      back={HERE}
      text={copy.addressText}
      action={mail ? copy.sendLinks : null}
      {...form}
    >
      {!mail && <Banner tone="soon" text={copy.noMail} />}
      <Field label={copy.addressNew} inputMode="email" autoComplete="email" {...form.line('email')} />
      <Field label={copy.passwordNow} secureTextEntry autoComplete="current-password" {...form.line('password')} />
    </FormScreen>
  );
}

/** A passkey on this device. */
function AddPasskey() {
  const form = useForm({ name: '', password: '' }, async ({ name, password }) => {
    const { makePasskey } = await loadPasskeys();
    useAccount.setState({ account: await makePasskey(password, name) });
    done(copy.passkeyMade);
  });
  return (
    <FormScreen title={copy.passkey} back={HERE} text={copy.passkeyText} action={copy.makePasskey} {...form}>
      <Field label={copy.passkeyName} hint={copy.passkeyNameHint} {...form.line('name')} />
      <Field label={copy.passwordNow} secureTextEntry autoComplete="current-password" {...form.line('password')} />
    </FormScreen>
  );
}

/** Removing the account, after what is to be kept was taken out. */
function LeaveForGood() {
  const account = useKnownAccount();
  const form = useForm({ password: '' }, async (values) => {
    await leaveForGood(values);
    done(copy.leaving);
  });
  return (
    <FormScreen
      title={copy.leave}
      back={HERE}
      text={copy.leaveWhat(account?.taking ?? [])}
      action={account?.goesAt ? null : copy.confirmLeave}
      {...form}
    >
      <Text tone="quiet">{copy.leaveBefore}</Text>
      <LinkRow href="/year/records" title={copy.takeOut} text={copy.takeOutText} />
      <Field label={copy.passwordNow} secureTextEntry autoComplete="current-password" {...form.line('password')} />
    </FormScreen>
  );
}

const CHANGES = { password: ChangePassword, address: ChangeAddress, passkey: AddPasskey, leave: LeaveForGood } as const;

/** Route: one change of the account. */
export function AccountChange() {
  const { change } = useLocalSearchParams<{ change: string }>();
  const Form = CHANGES[change as keyof typeof CHANGES];
  return Form ? <Form /> : <Redirect href={HERE} />;
}
