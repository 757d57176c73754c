import * as z from 'zod';
import { cardFactsSchema, cardListSchema, cardPostSchema, cardSchema } from '../cards';
import {
  archiveOutcomeSchema,
  archiveQuerySchema,
  calendarAddressSchema,
  calendarPostSchema,
  calendarPreviewSchema,
} from '../year';
import { diaryImportQuerySchema, diaryPreviewQuerySchema, diaryPreviewSchema, intakeProgressSchema } from '../intake';
import { CALLS } from '../calls';
import type { Operation } from './operation';

const cardParams = z.object({ id: z.uuid('That is not a card’s id.').toLowerCase() });

/** Cards, the calendar, and what goes out and comes in as files. */
export const yearOperations = {
  readCards: {
    ...CALLS.readCards,
    access: 'household',
    status: 200,
    response: cardListSchema,
  },
  addCards: {
    ...CALLS.addCards,
    access: 'household',
    status: 201,
    body: cardPostSchema,
    response: cardListSchema,
  },
  changeCard: {
    ...CALLS.changeCard,
    access: 'household',
    status: 200,
    params: cardParams,
    body: cardFactsSchema,
    response: cardSchema,
    versioned: true,
  },
  removeCard: {
    ...CALLS.removeCard,
    access: 'household',
    status: 204,
    params: cardParams,
    versioned: true,
  },
  downloadCalendar: {
    ...CALLS.downloadCalendar,
    access: 'household',
    status: 200,
    response: z.string(),
    text: 'text/calendar',
  },
  readCalendarAddress: {
    ...CALLS.readCalendarAddress,
    access: 'household',
    status: 200,
    response: calendarAddressSchema,
  },
  renewCalendarAddress: {
    ...CALLS.renewCalendarAddress,
    access: 'household',
    status: 201,
    response: calendarAddressSchema,
  },
  revokeCalendarAddress: {
    ...CALLS.revokeCalendarAddress,
    access: 'household',
    status: 204,
  },
  calendarFeed: {
    ...CALLS.calendarFeed,
    access: 'address',
    status: 200,
    params: z.object({ key: z.string().max(200) }),
    response: z.string(),
    text: 'text/calendar',
    textParameters: 'method=PUBLISH',
  },
  previewCalendar: {
    ...CALLS.previewCalendar,
    access: 'household',
    status: 200,
    body: calendarPostSchema,
    response: calendarPreviewSchema,
    costly: true,
  },
  previewDiary: {
    ...CALLS.previewDiary,
    access: 'household',
    status: 200,
    query: diaryPreviewQuerySchema,
    response: diaryPreviewSchema,
    stream: true,
  },
  importDiary: {
    ...CALLS.importDiary,
    access: 'household',
    status: 200,
    params: z.object({ importId: z.uuid('That is not an import’s id.').toLowerCase() }),
    query: diaryImportQuerySchema,
    response: intakeProgressSchema,
    stream: true,
  },
  exportArchive: {
    ...CALLS.exportArchive,
    access: 'household',
    status: 200,
    response: z.string(),
    text: 'application/json',
  },
  exportLog: {
    ...CALLS.exportLog,
    access: 'household',
    status: 200,
    response: z.string(),
    text: 'text/csv',
  },
  exportSessions: {
    ...CALLS.exportSessions,
    access: 'household',
    status: 200,
    response: z.string(),
    text: 'text/csv',
  },
  exportStrings: {
    ...CALLS.exportStrings,
    access: 'household',
    status: 200,
    response: z.string(),
    text: 'text/csv',
  },
  importArchive: {
    ...CALLS.importArchive,
    access: 'household',
    query: archiveQuerySchema,
    status: 200,
    response: archiveOutcomeSchema,
    stream: true,
  },
  importLog: {
    ...CALLS.importLog,
    access: 'household',
    status: 200,
    response: archiveOutcomeSchema,
    stream: true,
  },
} as const satisfies Record<string, Operation>;
