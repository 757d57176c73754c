import {
  accountRowParams,
  accountSchema,
  addressChangeSchema,
  newPasskeySchema,
  passkeyAskSchema,
  passwordChangeSchema,
  withPasswordSchema,
} from '../account';
import { CALLS } from '../calls';
import type { Operation } from './operation';

/** What who is signed in does about the account itself. */
export const accountOperations = {
  readAccount: { ...CALLS.readAccount, access: 'account', status: 200, response: accountSchema },
  changePassword: {
    ...CALLS.changePassword,
    access: 'account',
    status: 200,
    body: passwordChangeSchema,
    response: accountSchema,
  },
  changeAddress: {
    ...CALLS.changeAddress,
    access: 'account',
    status: 200,
    body: addressChangeSchema,
    response: accountSchema,
    limited: 'mail',
  },
  keepAddress: { ...CALLS.keepAddress, access: 'account', status: 200, response: accountSchema },
  endSignIn: {
    ...CALLS.endSignIn,
    access: 'account',
    status: 200,
    params: accountRowParams,
    response: accountSchema,
  },
  endOtherSignIns: { ...CALLS.endOtherSignIns, access: 'account', status: 200, response: accountSchema },
  askToMakePasskey: {
    ...CALLS.askToMakePasskey,
    access: 'account',
    status: 200,
    body: withPasswordSchema,
    response: passkeyAskSchema,
  },
  addPasskey: {
    ...CALLS.addPasskey,
    access: 'account',
    status: 201,
    body: newPasskeySchema,
    response: accountSchema,
  },
  removePasskey: {
    ...CALLS.removePasskey,
    access: 'account',
    status: 200,
    params: accountRowParams,
    response: accountSchema,
  },
  leaveForGood: {
    ...CALLS.leaveForGood,
    access: 'account',
    status: 200,
    body: withPasswordSchema,
    response: accountSchema,
  },
  stayAfterAll: { ...CALLS.stayAfterAll, access: 'account', status: 200, response: accountSchema },
} as const satisfies Record<string, Operation>;
