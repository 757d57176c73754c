import type { Handlers } from '../http/operations';
import {
  answerNoticeAt,
  lookAtNotice,
  RemindersScope,
  unsubscribe,
  type RemindersGround,
} from '../store/notices/reminders';
import { hashed } from '../store/hashed';
import type { HouseholdScope } from '../store/scope';

/** What somebody is reminded of, and what they answer: in the app, or by a link they were sent. */
export function reminderHandlers(ground: RemindersGround) {
  const reminders = (scope: HouseholdScope) => new RemindersScope(ground, scope);
  return {
    readReminders: ({ scope }) => reminders(scope).read(),
    changeReminders: ({ scope, version, body }) => reminders(scope).change(version, body),
    addPushDevice: ({ scope, body, request }) => reminders(scope).addDevice(body, hashed(request.sessionID)),
    tryPushDevice: async ({ scope, params }) => {
      await reminders(scope).tryDevice(params.id);
      return undefined;
    },
    removePushDevice: ({ scope, params }) => reminders(scope).removeDevice(params.id),
    answerNotice: ({ scope, params, body }) => reminders(scope).answer(params.id, body),
    lookAtNotice: ({ body }) => lookAtNotice(ground, body.key),
    answerNoticeAt: ({ body }) => answerNoticeAt(ground, body.key, body.reply),
    unsubscribe: async ({ params }) => {
      await unsubscribe(ground, params.key);
      return undefined;
    },
  } satisfies Partial<Handlers>;
}
