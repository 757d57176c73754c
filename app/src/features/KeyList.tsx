import { useKeyList } from '@/ui/keys';
import { Figures } from '@/ui/Figures';
import { Sheet } from '@/ui/Sheet';
import { copy } from '@/copy/screens/key-sheet';

const NAMES: Readonly<Record<string, string>> = {
  ' ': 'Space',
  arrowright: '→',
  arrowleft: '←',
  pagedown: 'Page down',
};

/** The keys that do something on this screen. */
export function KeyList({ onClose }: { onClose: () => void }) {
  const layers = useKeyList((state) => state.layers);
  const byLabel = new Map<string, string[]>();
  for (const layer of layers) {
    for (const [key, { label }] of Object.entries(layer.current)) {
      byLabel.set(label, [...(byLabel.get(label) ?? []), NAMES[key] ?? key.toUpperCase()]);
    }
  }
  return (
    <Sheet title={copy.keysOnThisScreen} onClose={onClose}>
      <Figures rows={[...byLabel].map(([label, keys]) => [label, [...new Set(keys)].join(' or ')] as const)} />
    </Sheet>
  );
}
