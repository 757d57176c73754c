import { create } from 'zustand';

export interface Notice {
  id: number;
  text: string;
  /** What the Undo beside it does. */
  undo?: () => void | Promise<void>;
  problem?: boolean;
}

let count = 0;

/** The one line shown at the foot of the screen after something was done. */
export const useNotice = create<{ notice: Notice | null }>()(() => ({ notice: null }));

export function notify(text: string, undo?: Notice['undo']): void {
  useNotice.setState({ notice: { id: ++count, text, undo } });
}

export function notifyProblem(text: string): void {
  useNotice.setState({ notice: { id: ++count, text, problem: true } });
}

export function dismissNotice(): void {
  useNotice.setState({ notice: null });
}
