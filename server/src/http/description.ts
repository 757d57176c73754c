import {
  API_ROOT,
  REQUEST_HEADER,
  operations,
  problemSchema,
  type Operation,
  type OperationId,
} from '@tembrin/contract';
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi';
import { COOKIE_NAMES } from './sessions';
import { SUMMARIES } from './summaries';

/** The OpenAPI description of the API, made from the contract. */
export function apiDescription(): object {
  const paths: Record<string, Record<string, ZodOpenApiOperationObject>> = {};
  for (const [operationId, operation] of Object.entries(operations) as [OperationId, Operation][]) {
    const path = API_ROOT + operation.path.replaceAll(/:(\w+)/g, '{$1}');
    (paths[path] ??= {})[operation.method] = describe(operationId, operation);
  }
  return createDocument({
    openapi: '3.1.0',
    info: { title: 'Tembrin', version: '1', description: 'Upkeep of string instruments.' },
    servers: [{ url: '/', description: 'This server.' }],
    paths: paths as ZodOpenApiPathsObject,
    components: {
      securitySchemes: {
        session: {
          type: 'apiKey',
          in: 'cookie',
          name: COOKIE_NAMES.plain,
          description: `What signing in sets; over TLS it is named ${COOKIE_NAMES.secure}.`,
        },
        sensorKey: { type: 'http', scheme: 'bearer' },
      },
    },
  });
}

const header = (name: string, description: string) =>
  ({ name, in: 'header', required: true, description, schema: { type: 'string' } }) as const;

function describe(operationId: OperationId, operation: Operation): ZodOpenApiOperationObject {
  const { params, query, body, response, status, access, versioned } = operation;
  return {
    operationId,
    summary: SUMMARIES[operationId],
    security:
      access === 'household' || access === 'account'
        ? [{ session: [] }]
        : access === 'sensor'
          ? [{ sensorKey: [] }]
          : [],
    requestParams: {
      ...(params && { path: params as never }),
      ...(query && { query: query as never }),
    },
    parameters: [
      ...(versioned ? [header('If-Match', 'The version last seen, in quotation marks, like "3".')] : []),
      ...(access !== 'sensor' && operation.method !== 'get'
        ? [header(REQUEST_HEADER, 'Any value: no page of another origin can send it.')]
        : []),
    ],
    ...(operation.stream && {
      requestBody: {
        required: true,
        content: {
          'text/csv': { schema: { type: 'string' } },
          'application/octet-stream': { schema: { type: 'string' } },
        },
      },
    }),
    ...(body && {
      requestBody: {
        required: true,
        content: {
          'application/json': { schema: body },
          ...(access === 'sensor' && { 'application/senml+json': { schema: body } }),
        },
      },
    }),
    responses: {
      [String(status)]: {
        description: 'Done.',
        ...(response && {
          content: operation.bytes
            ? { [operation.bytes]: { schema: { type: 'string', format: 'binary' } as const } }
            : { [operation.text ?? 'application/json']: { schema: response } },
        }),
      },
      default: {
        description: 'A problem document.',
        content: { 'application/problem+json': { schema: problemSchema } },
      },
    },
  };
}
