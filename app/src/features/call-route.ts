import { lazily } from '@/ui/lazily';

/** Whom to call, in a file of its own: pages of several kinds show it, and the first screen needs none of it. */
const load = () => import('./CallContact');

export const CallContact = lazily(load, (module) => module.CallContact);
export const CallFor = lazily(load, (module) => module.CallFor);
