import { newAccountSchema } from '@tembrin/contract/account';
import { router } from 'expo-router';
import { createAccount } from '@/state/household';
import { takeWanted } from '@/state/wanted';
import { AccountForm } from './form';
import { hereZone } from './time-zone';
import { copy } from '@/copy/screens/auth/start-your-own';

export function StartYourOwn() {
  return (
    <AccountForm
      title={copy.startYourOwn}
      action={copy.makeTheAccount}
      passwordHint={copy.atLeastCharactersA}
      newPassword
      schema={newAccountSchema}
      start={{ email: '', password: '', timeZone: hereZone() }}
      submit={async (values) => {
        await createAccount(values);
        router.replace(takeWanted('/kit/add'));
      }}
      other={{ title: copy.iHaveAnAccount, href: '/sign-in' }}
    />
  );
}
