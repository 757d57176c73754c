import { act, type ReactNode } from 'react';
import { createRoot } from 'react-dom/client';

Object.assign(globalThis, { IS_REACT_ACT_ENVIRONMENT: true });

/** Puts something on a page of its own, as a browser would show it. */
export function mount(node: ReactNode) {
  const element = document.createElement('div');
  document.body.append(element);
  const root = createRoot(element);
  const show = (next: ReactNode) => act(() => root.render(next));
  show(node);
  return {
    element,
    show,
    remove() {
      act(() => root.unmount());
      element.remove();
    },
  };
}
