import { lazily } from '@/ui/lazily';

/** The view for full hands, in a file of its own: several rounds show it, none before it is asked for. */
export const HandsBusyView = lazily(
  () => import('./HandsBusyView'),
  (view) => view.HandsBusyView,
);
