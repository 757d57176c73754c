import type { Problem } from '@tembrin/contract';
import { create } from 'zustand';

/** What of photographs is on this device only, by instrument and hash; with the reason where the server would not take one. */
export const usePhotosWaiting = create<Readonly<Record<string, Problem | null>>>()(() => ({}));

/** A photograph’s key on this device. */
export const photoKey = ({ instrumentId, photo }: { instrumentId: string; photo: string }) =>
  `${instrumentId}/${photo}`;
