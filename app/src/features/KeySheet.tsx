import { useState } from 'react';
import { useKeys } from '@/ui/keys';
import { lazily } from '@/ui/lazily';
import { copy } from '@/copy/screens/key-sheet';

const KeyList = lazily(
  () => import('./KeyList'),
  (module) => module.KeyList,
);

/** The keys that do something on this screen, on "?". */
export function KeySheet() {
  const [open, setOpen] = useState(false);
  useKeys({ '?': { label: copy.showTheKeys, run: () => setOpen(true) } });
  return open ? <KeyList onClose={() => setOpen(false)} /> : null;
}
