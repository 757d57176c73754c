import { useState } from 'react';
import { useKeyList, useKeys } from '@/ui/keys';
import { Figures } from '@/ui/Figures';
import { Sheet } from '@/ui/Sheet';
import { copy } from '@/copy/screens/key-sheet';

const NAMES: Readonly<Record<string, string>> = {
  ' ': 'Space',
  arrowright: '→',
  arrowleft: '←',
  pagedown: 'Page down',
};

/** The keys that do something on this screen, on "?". */
export function KeySheet() {
  const [open, setOpen] = useState(false);
  const layers = useKeyList((state) => state.layers);
  useKeys({ '?': { label: copy.showTheKeys, run: () => setOpen(true) } });
  if (!open) return null;
  const byLabel = new Map<string, string[]>();
  for (const layer of layers) {
    for (const [key, { label }] of Object.entries(layer.current)) {
      byLabel.set(label, [...(byLabel.get(label) ?? []), NAMES[key] ?? key.toUpperCase()]);
    }
  }
  return (
    <Sheet title={copy.keysOnThisScreen} onClose={() => setOpen(false)}>
      <Figures rows={[...byLabel].map(([label, keys]) => [label, [...new Set(keys)].join(' or ')] as const)} />
    </Sheet>
  );
}
