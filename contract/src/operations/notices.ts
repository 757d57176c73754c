import { CALLS } from '../calls';
import {
  newPushDeviceSchema,
  noticeAnswerAtSchema,
  noticeAnswerSchema,
  noticeAtSchema,
  noticeKeySchema,
  noticeRowParams,
  noticeSettingsSchema,
  remindersSchema,
  unsubscribeParams,
} from '../notices';
import type { Operation } from './operation';

/** What a person of a household is reminded of, when, and how. */
export const noticeOperations = {
  readReminders: { ...CALLS.readReminders, access: 'household', status: 200, response: remindersSchema },
  changeReminders: {
    ...CALLS.changeReminders,
    access: 'household',
    status: 200,
    body: noticeSettingsSchema,
    response: remindersSchema,
    versioned: true,
  },
  addPushDevice: {
    ...CALLS.addPushDevice,
    access: 'household',
    status: 201,
    body: newPushDeviceSchema,
    response: remindersSchema,
  },
  tryPushDevice: { ...CALLS.tryPushDevice, access: 'household', status: 204, params: noticeRowParams },
  removePushDevice: {
    ...CALLS.removePushDevice,
    access: 'household',
    status: 200,
    params: noticeRowParams,
    response: remindersSchema,
  },
  answerNotice: {
    ...CALLS.answerNotice,
    access: 'household',
    status: 200,
    params: noticeRowParams,
    body: noticeAnswerSchema,
    response: remindersSchema,
  },
  lookAtNotice: {
    ...CALLS.lookAtNotice,
    access: 'open',
    status: 200,
    body: noticeKeySchema,
    response: noticeAtSchema,
    limited: 'attempts',
  },
  answerNoticeAt: {
    ...CALLS.answerNoticeAt,
    access: 'open',
    status: 200,
    body: noticeAnswerAtSchema,
    response: noticeAtSchema,
    limited: 'attempts',
  },
  unsubscribe: {
    ...CALLS.unsubscribe,
    access: 'open',
    status: 204,
    params: unsubscribeParams,
    limited: 'attempts',
  },
} as const satisfies Record<string, Operation>;
