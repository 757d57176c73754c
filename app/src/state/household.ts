import type { BodyInputOf, Household, Instrument } from '@tembrin/contract';
import { create } from 'zustand';
import { forgetStand } from '@/opening/kept-stand';
import { call, Refused, speakFor } from './api';
import { leaveAir, openAir } from './air';
import { allAsked } from './asked';
import { judgedAgain, leaveAssessments, watch } from './assessment-store';
import { leaveCards, openCards, useCardStore } from './cards';
import { removeDeviceStore, waitingPhotos } from './device-store';
import { kept } from './kept';
import { leaveLog, look, openLog, whenReadAnew } from './log';
import { personAt } from './persons';
import { usePreferences } from './preferences';
import { setWho } from './who';
import { notifyProblem } from './notice';

/** Who was here last: without a connection, the app opens on their household. */
const last = kept('tembrin-household', async () => (await import('./household-schema')).householdSchema);
const NO_STORE = 'This browser keeps nothing for this page, so Tembrin cannot record. Allow site data, then reload.';

interface HouseholdState {
  /** checking: not known yet; out: nobody is signed in; in: `household` is there. */
  status: 'checking' | 'out' | 'in';
  household: Household | null;
  /** Why nobody is, where it was not their own doing. */
  why?: string;
}

/** Who is signed in on this device, and their household. */
export const useHousehold = create<HouseholdState>()(() => ({ status: 'checking', household: null }));

function keep(household: Household): void {
  last.write(household);
  speakFor(household.id);
  sayWho(household);
  useHousehold.setState({ status: 'in', household });
}

/** Entries carry who does them: whom this device was told, else who is signed in. */
function sayWho(household: Household): void {
  setWho(personAt(household, usePreferences.getState().personId)?.id ?? null);
}
usePreferences.subscribe(() => {
  const { household } = useHousehold.getState();
  if (household) sayWho(household);
});

/** The instrument on the stand: the one put there, or the household's first. */
export function standOf({ instruments }: Household, standId: string | null): Instrument | null {
  return instruments.find(({ id }) => id === standId) ?? instruments[0] ?? null;
}

/** React lets what it waited for be seen 300 ms after it showed that it waits; a little longer, and the stand is drawn. */
const DRAWN_MS = 350;
/** Resolves once what was just judged is on the screen: what comes next keeps nobody waiting. */
const drawn = () => new Promise<void>((resolve) => setTimeout(resolve, DRAWN_MS));

/** Pages that are not the stand, and do not lead there. */
const BESIDE = /^\/(kit|air|year|bench)/;

/** Shows a household; its log opens behind it. */
export function enter(household: Household): void {
  keep(household);
  // What this device has of the cards is there at once; without a connection that is all there is.
  openCards(household.id).catch(() => undefined);
  // The log of what stands on the stand comes first; the air can wait for it.
  let air: Promise<void> | null = null;
  const airToo = async () => {
    // Left meanwhile: its air is nobody's on this page.
    if (useHousehold.getState().household?.id === household.id) await (air ??= openAir(household.id));
  };
  const first = async (instrumentId: string) => {
    // The stand is judged by its log at once, whatever leads there. A page beside it waits for air and cards, and would move if it were
    // not judged with them.
    if (BESIDE.test(location.pathname)) {
      airToo().catch(() => undefined);
      await allAsked();
    }
    const stop = watch(instrumentId);
    await judgedAgain(instrumentId);
    stop();
    await drawn();
    airToo().catch(() => undefined);
  };
  openLog(household.id, standOf(household, usePreferences.getState().standId)?.id ?? null, first)
    .catch(() => notifyProblem(NO_STORE))
    .then(airToo)
    .catch(() => undefined);
}

/** Lets go of a household's data. @returns how much of it is not sent yet */
async function leave(): Promise<number> {
  speakFor(null);
  setWho(null);
  const cards = useCardStore.getState().unsent;
  leaveCards();
  leaveAssessments();
  // What another household had on its stand is not shown to this one.
  forgetStand();
  const unsent = await Promise.all([leaveLog(), leaveAir()]);
  return unsent[0] + unsent[1] + cards;
}

/** Finds out who is signed in. Without a connection, the household this device last had is used. */
export async function checkIn(): Promise<void> {
  const known = last.read() ?? (await last.readOld().catch(() => null));
  if (known) enter(known);
  try {
    const found = await call('readHousehold');
    // Another was opened meanwhile, on another page: this one's is let go of first.
    if (known && known.id !== found.id) await leave();
    enter(found);
  } catch (error) {
    const taken = error instanceof Refused && error.problem.type === '/problems/not-a-member';
    const signedOut = taken || (error instanceof Refused && error.problem.status === 401);
    if (signedOut && known) await leave();
    // Out of reach it stays kept, even where this build could not read it yet: the next opening may.
    if (signedOut) last.forget();
    if (signedOut || !known) {
      useHousehold.setState({ status: 'out', household: null, why: taken ? error.message : undefined });
    }
  }
}

export async function createAccount(body: BodyInputOf<'createAccount'>): Promise<void> {
  enter(await call('createAccount', { body }));
}

export async function signIn(body: BodyInputOf<'signIn'>): Promise<void> {
  enter(await call('signIn', { body }));
}

export async function openDemo(timeZone: string): Promise<void> {
  enter(await call('openDemo', { body: { timeZone } }));
}

/** Signs out and clears this device, except for entries that are not sent yet. */
export async function signOut(): Promise<void> {
  await call('signOut');
  last.forget();
  const { household } = useHousehold.getState();
  const unsent = await leave();
  if (household && unsent + (await waitingPhotos(household.id)) === 0) await removeDeviceStore(household.id);
  useHousehold.setState({ status: 'out', household: null });
}

/** Reads the household again, as after somebody else changed it. */
export async function refreshHousehold(): Promise<void> {
  keep(await call('readHousehold'));
}

/** Opens another household that was answered with: what this device has of the one before stays on it. */
export async function goTo(household: Household): Promise<void> {
  await leave();
  enter(household);
}

/** Reads all of it again: household, cards and log, as after something came from elsewhere. */
export async function readAnew(): Promise<void> {
  await refreshHousehold();
  const { household } = useHousehold.getState();
  if (household) await Promise.all([openCards(household.id), look()]);
}

function put(instrument: Instrument): void {
  const { household } = useHousehold.getState();
  if (!household) return;
  const others = household.instruments.filter(({ id }) => id !== instrument.id);
  const at = household.instruments.findIndex(({ id }) => id === instrument.id);
  others.splice(at < 0 ? others.length : at, 0, instrument);
  keep({ ...household, instruments: others });
}

export async function addInstrument(body: BodyInputOf<'addInstrument'>): Promise<Instrument> {
  const instrument = await call('addInstrument', { body });
  put(instrument);
  return instrument;
}

export async function changeInstrument(
  { id, version }: Instrument,
  body: BodyInputOf<'changeInstrument'>,
): Promise<void> {
  put(await call('changeInstrument', { params: { id }, version, body }));
}

export async function removeInstrument({ id, version }: Instrument): Promise<void> {
  await call('removeInstrument', { params: { id }, version });
  const { household } = useHousehold.getState();
  const others = (all: readonly Instrument[]) => all.filter((other) => other.id !== id);
  if (household) keep({ ...household, instruments: others(household.instruments), given: others(household.given) });
}

export async function changeHousehold(change: Partial<BodyInputOf<'changeHousehold'>>): Promise<void> {
  const { household } = useHousehold.getState();
  if (!household) return;
  const { name, timeZone, schools, currency, version } = household;
  keep(await call('changeHousehold', { version, body: { name, timeZone, schools, currency, ...change } }));
}

// Others of the log are seen than before: instruments and people are others, too.
whenReadAnew(() => void refreshHousehold().catch(() => undefined));
