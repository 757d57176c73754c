import { credentialsSchema } from '@tembrin/contract';
import { router } from 'expo-router';
import { signIn } from '@/state/household';
import { AccountForm } from './form';
import { copy } from '@/copy/screens/auth/sign-in';

export function SignIn() {
  return (
    <AccountForm
      title="Sign in"
      action="Sign in"
      schema={credentialsSchema}
      start={{ email: '', password: '' }}
      submit={async (values) => {
        await signIn(values);
        router.replace('/now');
      }}
      other={{ title: copy.makeAnAccountInstead, href: '/start' }}
    />
  );
}
