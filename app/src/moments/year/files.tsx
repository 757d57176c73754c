import { API_ROOT, operations, problemSchema, REQUEST_HEADER, type OperationId } from '@tembrin/contract';
import { useRef } from 'react';
import { unstable_createElement } from 'react-native-web';
import { OutOfReach, Refused } from '@/state/api';

/** A file's text; what is not UTF-8 keeps a mark the server knows it by. */
export async function textOf(file: Blob): Promise<string> {
  return new TextDecoder('utf-8').decode(await file.arrayBuffer());
}

async function refusalOf(response: Response): Promise<Error> {
  const problem = problemSchema.safeParse(await response.json().catch(() => null));
  return problem.success ? new Refused(problem.data) : new OutOfReach();
}

/**
 * Downloads what an operation answers with as a file.
 * @throws Refused or OutOfReach
 */
export async function download(id: OperationId): Promise<void> {
  const { path, file } = operations[id] as { path: string; file?: string };
  const response = await fetch(API_ROOT + path, { credentials: 'same-origin' }).catch(() => {
    throw new OutOfReach();
  });
  if (!response.ok) throw await refusalOf(response);
  const url = URL.createObjectURL(await response.blob());
  const link = document.createElement('a');
  link.href = url;
  link.download = file ?? 'tembrin';
  link.click();
  setTimeout(() => URL.revokeObjectURL(url), 10_000);
}

/**
 * Sends a file as it is.
 * @throws Refused or OutOfReach
 */
export async function upload<T>(id: 'importArchive' | 'importLog', body: Blob): Promise<T> {
  const response = await fetch(API_ROOT + operations[id].path, {
    method: 'POST',
    credentials: 'same-origin',
    headers: { [REQUEST_HEADER]: '1', 'Content-Type': 'text/csv' },
    body,
  }).catch(() => {
    throw new OutOfReach();
  });
  if (!response.ok) throw await refusalOf(response);
  return (await response.json()) as T;
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
    style: { position: 'absolute', width: 1, height: 1, opacity: 0 },
    tabIndex: -1,
  });
  return { element, open: () => input.current?.click() };
}
