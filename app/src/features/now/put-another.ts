import { lazily } from '@/ui/lazily';

/** Fetched while the stand is looked at. */
export const loadPutAnother = () => import('./PutAnother');
export const PutAnother = lazily(loadPutAnother, (module) => module.PutAnother);
