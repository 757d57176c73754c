import { bytesSchema, photoListSchema, photoOutcomeSchema, photoParams, photoSchema } from '../photos';
import { CALLS } from '../calls';
import type { Operation } from './operation';

/** Photographs, each under the hash of its bytes. */
export const photoOperations = {
  readPhotos: { ...CALLS.readPhotos, access: 'household', status: 200, response: photoListSchema },
  keepPhoto: {
    ...CALLS.keepPhoto,
    access: 'household',
    status: 201,
    params: photoParams,
    response: photoSchema,
    stream: true,
    small: true,
  },
  readPhoto: {
    ...CALLS.readPhoto,
    access: 'household',
    status: 200,
    params: photoParams,
    response: bytesSchema,
    bytes: 'image/jpeg',
  },
  removePhoto: {
    ...CALLS.removePhoto,
    access: 'household',
    status: 204,
    params: photoParams,
  },
  exportPhotos: {
    ...CALLS.exportPhotos,
    access: 'household',
    status: 200,
    response: bytesSchema,
    bytes: 'application/zip',
  },
  importPhotos: {
    ...CALLS.importPhotos,
    access: 'household',
    status: 200,
    response: photoOutcomeSchema,
    stream: true,
  },
} as const satisfies Record<string, Operation>;
