import type { HouseholdChange } from '@tembrin/contract';
import { householdChangeSchema } from '@tembrin/contract/household';
import { router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { changeHousehold, refreshHousehold, signOut, useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';

/** The household’s choices as typed, keeping them, and signing out. */
export function useHouseholdForm() {
  const household = useHousehold((state) => state.household)!;
  const unsent = useLog((state) => state.unsent);
  const { look, setLook, lengths, setLengths, temperatures, setTemperatures } = usePreferences();
  const { name, timeZone, email, demo } = household;
  const [text, setText] = useState({ name, timeZone });
  const [errors, setErrors] = useState<Record<string, string>>({});
  const [problem, setProblem] = useState<string | null>(null);
  const [leaving, setLeaving] = useState(false);

  const save = async (change: Partial<HouseholdChange>, undo: Partial<HouseholdChange>) => {
    setProblem(null);
    setErrors({});
    const wanted = householdChangeSchema.partial().safeParse(change);
    if (!wanted.success) {
      setErrors(Object.fromEntries(wanted.error.issues.map(({ path, message }) => [path.join('.'), message])));
      return;
    }
    try {
      await changeHousehold(wanted.data);
      notify('Changed.', () => changeHousehold(undo));
    } catch (error) {
      if (error instanceof Refused && error.problem.status === 412) await refreshHousehold().catch(() => undefined);
      if (error instanceof Refused && error.problem.fields) setErrors(error.problem.fields);
      setProblem(sentenceOf(error));
    }
  };
  const leave = async () => {
    try {
      await signOut();
      router.replace('/');
    } catch (error) {
      setLeaving(false);
      setProblem(sentenceOf(error));
    }
  };
  const changed = text.name !== name || text.timeZone !== timeZone;
  return {
    unsent,
    look,
    setLook,
    lengths,
    setLengths,
    temperatures,
    setTemperatures,
    name,
    timeZone,
    email,
    demo,
    text,
    setText,
    errors,
    problem,
    leaving,
    setLeaving,
    save,
    leave,
    changed,
  };
}

export type HouseholdModel = ReturnType<typeof useHouseholdForm>;
