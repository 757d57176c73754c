import { lazily } from '@/ui/lazily';

/** What may be used on what, in a file of its own: the products are known there alone. */
const load = () => import('./MayUse');

export const LookUp = lazily(load, (page) => page.LookUp);
export const MayUse = lazily(load, (page) => page.MayUse);
