import type { Account, BodyInputOf, OperationId, ResponseOf } from '@tembrin/contract';
import { create } from 'zustand';
import { call, type CallParts } from './api';
import { useHousehold } from './household';

/** The account that is signed in on this device; null: not known yet. It is known with a connection only. */
export const useAccount = create<{ account: Account | null }>()(() => ({ account: null }));

/** Operations that answer with the account as it stands then. */
type AboutAccount = { [I in OperationId]: ResponseOf<I> extends Account ? I : never }[OperationId];

async function changed<I extends AboutAccount>(id: I, parts: CallParts<I> = {}): Promise<void> {
  useAccount.setState({ account: (await call(id, parts)) as Account });
}

export const readAccount = () => changed('readAccount');
export const changePassword = (body: BodyInputOf<'changePassword'>) => changed('changePassword', { body });
export const changeAddress = (body: BodyInputOf<'changeAddress'>) => changed('changeAddress', { body });
export const keepAddress = () => changed('keepAddress');
export const endSignIn = (id: string) => changed('endSignIn', { params: { id } });
export const endOtherSignIns = () => changed('endOtherSignIns');
export const removePasskey = (id: string) => changed('removePasskey', { params: { id } });
export const leaveForGood = (body: BodyInputOf<'leaveForGood'>) => changed('leaveForGood', { body });
export const stayAfterAll = () => changed('stayAfterAll');

// Somebody else signed in, or nobody is: what is known of it is forgotten.
useHousehold.subscribe(({ household }, before) => {
  if (household?.id !== before.household?.id) useAccount.setState({ account: null });
});
