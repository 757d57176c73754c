import type { OperationId } from '@tembrin/contract';
import { CALLS } from '@tembrin/contract/calls';
import { useRef } from 'react';
import { unstable_createElement } from 'react-native-web';
import { callForFile, type CallParts } from '@/state/api';

/**
 * Downloads what an operation answers with as a file.
 * @throws Refused or OutOfReach
 */
export async function download<I extends OperationId>(id: I, parts: CallParts<I> = {}): Promise<void> {
  const { file } = CALLS[id] as { file?: string };
  const url = URL.createObjectURL(await callForFile(id, parts));
  const link = document.createElement('a');
  link.href = url;
  link.download = file ?? 'tembrin';
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/** The browser's own control for choosing a file, out of sight; `open` brings it up. */
export function useFileInput(label: string, accept: string, onFile: (file: File) => void) {
  const input = useRef<HTMLInputElement | null>(null);
  const element = unstable_createElement('input', {
    type: 'file',
    accept,
    'aria-label': label,
    ref: input,
    onChange: ({ target }: { target: HTMLInputElement }) => {
      const file = target.files?.[0];
      // The same file may be chosen again after it was put right.
      target.value = '';
      if (file) onFile(file);
    },
    style: { position: 'absolute', width: 1, height: 1, opacity: 0, pointerEvents: 'none' },
    tabIndex: -1,
  });
  return { element, open: () => input.current?.click() };
}
