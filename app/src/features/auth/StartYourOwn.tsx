import { newAccountSchema } from '@tembrin/contract';
import { router } from 'expo-router';
import { createAccount } from '@/state/household';
import { AccountForm } from './form';
import { hereZone } from './time-zone';

export function StartYourOwn() {
  return (
    <AccountForm
      title="Start your own"
      action="Make the account"
      passwordHint="At least 10 characters. A few unrelated words are easy to remember."
      newPassword
      schema={newAccountSchema}
      start={{ email: '', password: '', timeZone: hereZone() }}
      submit={async (values) => {
        await createAccount(values);
        router.replace('/kit/add');
      }}
      other={{ title: 'I have an account: sign in', href: '/sign-in' }}
    />
  );
}
