import { z } from 'zod';
import { credentialsSchema, demoRequestSchema, newAccountSchema } from './account';
import {
  airSchema,
  comparisonSchema,
  dayQuerySchema,
  daySchema,
  importProgressSchema,
  importQuerySchema,
  intakeSchema,
  keyedSensorSchema,
  newPlaceSchema,
  newSensorSchema,
  placeChangeSchema,
  placeSchema,
  previewRequestSchema,
  previewSchema,
  readingListSchema,
  readingPostSchema,
  saltCheckSchema,
  senmlAnswerSchema,
  senmlPackSchema,
  sensorChangeSchema,
  sensorSchema,
  yearQuerySchema,
  yearSchema,
} from './air';
import { eventPostResultSchema, eventPostSchema, logPageSchema, logQuerySchema } from './events';
import { householdChangeSchema, householdSchema } from './household';
import { instrumentChangeSchema, instrumentSchema, newInstrumentSchema } from './instrument';

export const API_ROOT = '/api/v1';
/** Every request that changes something carries this header; a page of another origin cannot set it. */
export const REQUEST_HEADER = 'x-tembrin';

export interface Operation {
  method: 'get' | 'post' | 'put' | 'delete';
  /** Path under the API root; `:name` marks a parameter. */
  path: string;
  summary: string;
  /** open: anyone; household: the signed-in household only; sensor: whoever has the sensor's key. */
  access: 'open' | 'household' | 'sensor';
  /** Answered with this status when it goes well; 204 has no body. */
  status: 200 | 201 | 204;
  params?: z.ZodType;
  query?: z.ZodType;
  body?: z.ZodType;
  response?: z.ZodType;
  /** Takes `If-Match` with the version last seen; 412 when somebody else was quicker. */
  versioned?: boolean;
  /** Guarded by the limit on sign-in attempts. */
  limited?: boolean;
  /** Its body is a file that the handler reads as it comes. */
  stream?: boolean;
}

const instrumentParams = z.object({ id: z.uuid('That is not an instrument’s id.').toLowerCase() });
const placeParams = z.object({ id: z.uuid('That is not a place’s id.').toLowerCase() });
const sensorParams = z.object({ id: z.uuid('That is not a hygrometer’s id.').toLowerCase() });
const importParams = z.object({ importId: z.uuid('That is not an import’s id.').toLowerCase() });

/** Every operation of the API. The server binds a handler to each, the app calls them, and the API description is made from them. */
export const operations = {
  health: {
    method: 'get',
    path: '/health',
    summary: 'Whether the server and its database answer.',
    access: 'open',
    status: 200,
    response: z.object({ status: z.literal('ok') }),
  },
  createAccount: {
    method: 'post',
    path: '/accounts',
    summary: 'Make an account with a household of its own, and sign in.',
    access: 'open',
    status: 201,
    body: newAccountSchema,
    response: householdSchema,
    limited: true,
  },
  signIn: {
    method: 'post',
    path: '/sign-in',
    summary: 'Sign in.',
    access: 'open',
    status: 200,
    body: credentialsSchema,
    response: householdSchema,
    limited: true,
  },
  openDemo: {
    method: 'post',
    path: '/demo',
    summary: 'Open a copy of the demo library.',
    access: 'open',
    status: 201,
    body: demoRequestSchema,
    response: householdSchema,
    limited: true,
  },
  signOut: { method: 'post', path: '/sign-out', summary: 'Sign out.', access: 'open', status: 204 },
  readHousehold: {
    method: 'get',
    path: '/household',
    summary: 'The household and its instruments.',
    access: 'household',
    status: 200,
    response: householdSchema,
  },
  changeHousehold: {
    method: 'put',
    path: '/household',
    summary: 'Change the household’s name, time zone or schools.',
    access: 'household',
    status: 200,
    body: householdChangeSchema,
    response: householdSchema,
    versioned: true,
  },
  addInstrument: {
    method: 'post',
    path: '/instruments',
    summary: 'Add an instrument; posting the same id again changes nothing.',
    access: 'household',
    status: 201,
    body: newInstrumentSchema,
    response: instrumentSchema,
  },
  changeInstrument: {
    method: 'put',
    path: '/instruments/:id',
    summary: 'Change an instrument’s facts.',
    access: 'household',
    status: 200,
    params: instrumentParams,
    body: instrumentChangeSchema,
    response: instrumentSchema,
    versioned: true,
  },
  removeInstrument: {
    method: 'delete',
    path: '/instruments/:id',
    summary: 'Remove an instrument and its log.',
    access: 'household',
    status: 204,
    params: instrumentParams,
    versioned: true,
  },
  readLog: {
    method: 'get',
    path: '/events',
    summary: 'The log, oldest first, page by page.',
    access: 'household',
    status: 200,
    query: logQuerySchema,
    response: logPageSchema,
  },
  postEvents: {
    method: 'post',
    path: '/events',
    summary: 'Add events to the log. Each is judged by itself; posting one twice is harmless.',
    access: 'household',
    status: 200,
    body: eventPostSchema,
    response: eventPostResultSchema,
  },
  readAir: {
    method: 'get',
    path: '/air',
    summary: 'Places, hygrometers, what their readings come to, and the weather; from an hour on, or all of it.',
    access: 'household',
    status: 200,
    query: z.object({ since: z.coerce.number().int().min(0).default(0) }),
    response: airSchema,
  },
  addPlace: {
    method: 'post',
    path: '/places',
    summary: 'Add a room or a case; posting the same id again changes nothing.',
    access: 'household',
    status: 201,
    body: newPlaceSchema,
    response: placeSchema,
  },
  changePlace: {
    method: 'put',
    path: '/places/:id',
    summary: 'Change a room or a case.',
    access: 'household',
    status: 200,
    params: placeParams,
    body: placeChangeSchema,
    response: placeSchema,
    versioned: true,
  },
  removePlace: {
    method: 'delete',
    path: '/places/:id',
    summary: 'Remove a place in which no hygrometer is left.',
    access: 'household',
    status: 204,
    params: placeParams,
    versioned: true,
  },
  readYear: {
    method: 'get',
    path: '/places/:id/year',
    summary: 'A place day by day, with its seasonal level.',
    access: 'household',
    status: 200,
    params: placeParams,
    query: yearQuerySchema,
    response: yearSchema,
  },
  readDay: {
    method: 'get',
    path: '/places/:id/day',
    summary: 'One calendar day of a place in steps of ten minutes.',
    access: 'household',
    status: 200,
    params: placeParams,
    query: dayQuerySchema,
    response: daySchema,
  },
  addSensor: {
    method: 'post',
    path: '/sensors',
    summary: 'Add a hygrometer. One that posts by itself gets a key, told this once.',
    access: 'household',
    status: 201,
    body: newSensorSchema,
    response: keyedSensorSchema,
  },
  changeSensor: {
    method: 'put',
    path: '/sensors/:id',
    summary: 'Rename a hygrometer, or move it to another place from now on.',
    access: 'household',
    status: 200,
    params: sensorParams,
    body: sensorChangeSchema,
    response: sensorSchema,
    versioned: true,
  },
  removeSensor: {
    method: 'delete',
    path: '/sensors/:id',
    summary: 'Remove a hygrometer and all its readings.',
    access: 'household',
    status: 204,
    params: sensorParams,
    versioned: true,
  },
  renewKey: {
    method: 'post',
    path: '/sensors/:id/key',
    summary: 'Give a hygrometer a new key; the old one stops working.',
    access: 'household',
    status: 201,
    params: sensorParams,
    response: keyedSensorSchema,
  },
  revokeKey: {
    method: 'delete',
    path: '/sensors/:id/key',
    summary: 'Take a hygrometer’s key away.',
    access: 'household',
    status: 204,
    params: sensorParams,
  },
  postReadings: {
    method: 'post',
    path: '/sensors/:id/readings',
    summary: 'Add readings somebody took; the same again changes nothing.',
    access: 'household',
    status: 200,
    params: sensorParams,
    body: readingPostSchema,
    response: intakeSchema,
  },
  readReadings: {
    method: 'get',
    path: '/sensors/:id/readings',
    summary: 'The newest readings of a hygrometer as it showed them, newest first.',
    access: 'household',
    status: 200,
    params: sensorParams,
    response: readingListSchema,
  },
  removeReading: {
    method: 'delete',
    path: '/sensors/:id/readings/:at',
    summary: 'Take one reading back.',
    access: 'household',
    status: 204,
    params: sensorParams.extend({ at: z.coerce.number().int() }),
  },
  addCheck: {
    method: 'post',
    path: '/sensors/:id/checks',
    summary: 'What a hygrometer showed over a salt; corrects its readings from then on.',
    access: 'household',
    status: 201,
    params: sensorParams,
    body: saltCheckSchema.strict(),
    response: sensorSchema,
  },
  removeCheck: {
    method: 'delete',
    path: '/sensors/:id/checks/:checkId',
    summary: 'Take a salt check back.',
    access: 'household',
    status: 200,
    params: sensorParams.extend({ checkId: z.uuid().toLowerCase() }),
    response: sensorSchema,
  },
  compareSensors: {
    method: 'get',
    path: '/sensors/:id/beside/:otherId',
    summary: 'How far two hygrometers differ in the last 30 days, in the hours both read.',
    access: 'household',
    status: 200,
    params: sensorParams.extend({ otherId: z.uuid().toLowerCase() }),
    response: z.object({ comparison: comparisonSchema }),
  },
  previewImport: {
    method: 'post',
    path: '/sensors/:id/preview',
    summary: 'Look at the top of a logger’s file: its columns, and how they would be read.',
    access: 'household',
    status: 200,
    params: sensorParams,
    body: previewRequestSchema,
    response: previewSchema,
  },
  importFile: {
    method: 'post',
    path: '/sensors/:id/imports/:importId',
    summary: 'Import a logger’s file, all of it or nothing.',
    access: 'household',
    status: 200,
    params: sensorParams.extend(importParams.shape),
    query: importQuerySchema,
    response: importProgressSchema,
    stream: true,
  },
  readImport: {
    method: 'get',
    path: '/imports/:importId',
    summary: 'How far an import is.',
    access: 'household',
    status: 200,
    params: importParams,
    response: importProgressSchema,
  },
  cancelImport: {
    method: 'delete',
    path: '/imports/:importId',
    summary: 'Stop an import; nothing of it stays.',
    access: 'household',
    status: 204,
    params: importParams,
  },
  postSenml: {
    method: 'post',
    path: '/sensors/:id/senml',
    summary:
      'Readings of a sensor as a SenML pack (RFC 8428), with “Authorization: Bearer <key>”. Units %RH, Cel, %EL.',
    access: 'sensor',
    status: 200,
    params: sensorParams,
    body: senmlPackSchema,
    response: senmlAnswerSchema,
  },
  simulate: {
    method: 'post',
    path: '/sensors/:id/simulate',
    summary: 'Let the simulated hygrometer post for this sensor for a while, to try things out.',
    access: 'household',
    status: 204,
    params: sensorParams,
    body: z.strictObject({ faults: z.array(z.enum(['drop-outs', 'drift', 'stuck', 'battery'])).max(4) }),
  },
} as const satisfies Record<string, Operation>;

export type Operations = typeof operations;
export type OperationId = keyof Operations;

type Schema<O, K extends string, Side extends 'input' | 'output'> =
  O extends Record<K, infer S extends z.ZodType> ? (Side extends 'input' ? z.input<S> : z.output<S>) : undefined;

/** What a caller sends and gets, and what a handler receives, for each operation. */
export type ParamsOf<I extends OperationId> = Schema<Operations[I], 'params', 'output'>;
export type QueryOf<I extends OperationId> = Schema<Operations[I], 'query', 'output'>;
export type QueryInputOf<I extends OperationId> = Schema<Operations[I], 'query', 'input'>;
export type BodyOf<I extends OperationId> = Schema<Operations[I], 'body', 'output'>;
export type BodyInputOf<I extends OperationId> = Schema<Operations[I], 'body', 'input'>;
export type ResponseOf<I extends OperationId> = Schema<Operations[I], 'response', 'output'>;
