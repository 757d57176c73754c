import { bytesSchema, photoListSchema, photoOutcomeSchema, photoParams, photoSchema } from '../photos';
import type { Operation } from './operation';

/** Photographs, each under the hash of its bytes. */
export const photoOperations = {
  readPhotos: { method: 'get', path: '/photos', access: 'household', status: 200, response: photoListSchema },
  keepPhoto: {
    method: 'post',
    path: '/instruments/:id/photos/:photo',
    access: 'household',
    status: 201,
    params: photoParams,
    response: photoSchema,
    stream: true,
    small: true,
  },
  readPhoto: {
    method: 'get',
    path: '/instruments/:id/photos/:photo',
    access: 'household',
    status: 200,
    params: photoParams,
    response: bytesSchema,
    bytes: 'image/jpeg',
  },
  removePhoto: {
    method: 'delete',
    path: '/instruments/:id/photos/:photo',
    access: 'household',
    status: 204,
    params: photoParams,
  },
  exportPhotos: {
    method: 'get',
    path: '/export/photos.zip',
    access: 'household',
    status: 200,
    response: bytesSchema,
    bytes: 'application/zip',
    file: 'tembrin-photos.zip',
  },
  importPhotos: {
    method: 'post',
    path: '/import/photos',
    access: 'household',
    status: 200,
    response: photoOutcomeSchema,
    stream: true,
  },
} as const satisfies Record<string, Operation>;
