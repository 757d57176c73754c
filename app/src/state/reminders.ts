import type { BodyInputOf, NoticeAnswer, OperationId, Reminders, ResponseOf } from '@tembrin/contract';
import { v7 as uuid } from 'uuid';
import { create } from 'zustand';
import { call, type CallParts } from './api';
import { useHousehold } from './household';
import { subscribeHere, thisDevice } from './push';

/** What this person is reminded of, when and how; null: not known yet. It is known with a connection only. */
export const useReminders = create<{ reminders: Reminders | null }>()(() => ({ reminders: null }));

type AboutReminders = { [I in OperationId]: ResponseOf<I> extends Reminders ? I : never }[OperationId];

async function changed<I extends AboutReminders>(id: I, parts: CallParts<I> = {}): Promise<void> {
  useReminders.setState({ reminders: (await call(id, parts)) as Reminders });
}

export const readReminders = () => changed('readReminders');
export const changeReminders = (version: number, body: BodyInputOf<'changeReminders'>) =>
  changed('changeReminders', { version, body });
export const answerReminder = (id: string, body: NoticeAnswer) => changed('answerNotice', { params: { id }, body });
export const tryDevice = (id: string) => call('tryPushDevice', { params: { id } });

/**
 * Has this device told.
 * @throws NotAllowed, NotAble, Refused, OutOfReach
 */
export async function tellThisDevice({ push: { publicKey, standIn } }: Reminders): Promise<void> {
  const subscription = standIn ? null : await subscribeHere(publicKey);
  await changed('addPushDevice', { body: { id: uuid(), name: thisDevice(), subscription } });
}

export const removeDevice = (id: string) => changed('removePushDevice', { params: { id } });

// Somebody else signed in, or nobody is: what is known of it is forgotten.
useHousehold.subscribe(({ household }, before) => {
  if (household?.id !== before.household?.id) useReminders.setState({ reminders: null });
});
