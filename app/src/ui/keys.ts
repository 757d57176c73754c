import { useEffect, useRef } from 'react';
import { create } from 'zustand';

export interface KeyAction {
  label: string;
  run: () => void;
}
type Keys = Readonly<Record<string, KeyAction>>;

/** Keys of whatever is on screen, the newest last; shown by the "?" sheet. */
export const useKeyList = create<{ layers: readonly { current: Keys }[] }>()(() => ({ layers: [] }));

/** The action a key stands for now: the topmost layer that knows it. */
function actionFor(key: string): KeyAction | undefined {
  return useKeyList.getState().layers.findLast((layer) => layer.current[key])?.current[key];
}

/** Makes keys do something while a component is on screen. Names are those of KeyboardEvent.key, letters in lower case. */
export function useKeys(keys: Keys): void {
  const layer = useRef(keys);
  useEffect(() => {
    layer.current = keys;
  });
  useEffect(() => {
    useKeyList.setState(({ layers }) => ({ layers: [...layers, layer] }));
    return () => useKeyList.setState(({ layers }) => ({ layers: layers.filter((other) => other !== layer) }));
  }, []);
}

/** Whether a key press belongs to what has the focus: typing, choosing, or pressing a button with Enter or Space. */
function belongsElsewhere(key: string, target: EventTarget | null): boolean {
  if (!(target instanceof HTMLElement)) return false;
  if (target.closest('input, textarea, select, [contenteditable]')) return true;
  return (
    (key === 'enter' || key === ' ') &&
    target.closest('button, a, [role=button], [role=radio], [role=checkbox], [role=link]') !== null
  );
}

/** Listens for keys; once, at the root. */
export function listenForKeys(): () => void {
  const onKey = (event: KeyboardEvent) => {
    if (event.ctrlKey || event.metaKey || event.altKey || event.repeat) return;
    const key = event.key.toLowerCase();
    if (belongsElsewhere(key, event.target) || document.querySelector('[aria-modal=true]')) return;
    const action = actionFor(key);
    if (!action) return;
    event.preventDefault();
    action.run();
  };
  window.addEventListener('keydown', onKey);
  return () => window.removeEventListener('keydown', onKey);
}
