import { lazy } from 'react';
import type * as Form from './AccountForm';

/** The form of both doors, in a file of its own: who is signed in never loads what keeps forms. */
export const AccountForm = lazy(() =>
  import('./AccountForm').then((module) => ({ default: module.AccountForm })),
) as unknown as typeof Form.AccountForm;
