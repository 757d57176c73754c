import type { Share } from '@tembrin/contract';
import { useEffect } from 'react';
import { create } from 'zustand';
import { call } from './api';
import { useHousehold } from './household';

/** A page that shows answers asks for new ones so often. From memory. */
const FRESH_MS = 30_000;

interface SharesState {
  householdId: string | null;
  /** null: not known yet. What was sent to workshops is known with a connection only. */
  shares: readonly Share[] | null;
}

/** What was sent to workshops, and what they answered. */
export const useShares = create<SharesState>()(() => ({ householdId: null, shares: null }));

function put(shares: readonly Share[]): void {
  useShares.setState({ shares, householdId: useHousehold.getState().household?.id ?? null });
}

/** Asks the server what came. @throws Refused, OutOfReach */
export async function readShares(): Promise<void> {
  const { household } = useHousehold.getState();
  if (household && useShares.getState().householdId !== household.id) useShares.setState({ shares: null });
  put((await call('readShares')).shares);
}

/** Sends a visit's briefs under a new link; one that was sent before opens no more. @throws Refused, OutOfReach */
export async function makeShare(visitId: string): Promise<void> {
  await call('makeShare', { body: { visitId } });
  await readShares();
}

/** Closes a link. @throws Refused, OutOfReach */
export async function revokeShare(id: string): Promise<void> {
  await call('revokeShare', { params: { id } });
  await readShares();
}

/** An answer was dealt with. @throws Refused, OutOfReach */
export async function settleAnswer(id: string, answerId: string): Promise<void> {
  await call('settleAnswer', { params: { id, answerId } });
  await readShares();
}

/** Keeps what was sent and answered fresh while a page of it is open. @returns whether it is known */
export function useFreshShares(): boolean {
  const known = useShares((state) => state.shares !== null);
  useEffect(() => {
    // Without a connection the page says that it does not know.
    const read = () => void readShares().catch(() => undefined);
    read();
    const timer = setInterval(read, FRESH_MS);
    return () => clearInterval(timer);
  }, []);
  return known;
}
