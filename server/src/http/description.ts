import { API_ROOT, operations, problemSchema, type Operation, type OperationId } from '@tembrin/contract';
import { createDocument, type ZodOpenApiOperationObject, type ZodOpenApiPathsObject } from 'zod-openapi';
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
    paths: paths as ZodOpenApiPathsObject,
    components: {
      securitySchemes: {
        session: { type: 'apiKey', in: 'cookie', name: 'tembrin' },
        sensorKey: { type: 'http', scheme: 'bearer' },
      },
    },
  });
}

function describe(operationId: OperationId, operation: Operation): ZodOpenApiOperationObject {
  const { params, query, body, response, status, access, versioned } = operation;
  return {
    operationId,
    summary: SUMMARIES[operationId],
    security: access === 'household' ? [{ session: [] }] : access === 'sensor' ? [{ sensorKey: [] }] : [],
    requestParams: {
      ...(params && { path: params as never }),
      ...(query && { query: query as never }),
    },
    ...(versioned && {
      parameters: [{ name: 'If-Match', in: 'header', required: true, schema: { type: 'string' } }],
    }),
    ...(operation.stream && { requestBody: { required: true, content: { 'text/csv': {} } } }),
    ...(body && { requestBody: { required: true, content: { 'application/json': { schema: body } } } }),
    responses: {
      [String(status)]: {
        description: 'Done.',
        ...(response && { content: { [operation.text ?? 'application/json']: { schema: response } } }),
      },
      default: {
        description: 'A problem document.',
        content: { 'application/problem+json': { schema: problemSchema } },
      },
    },
  };
}
