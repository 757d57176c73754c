import { householdChangeSchema, type HouseholdChange } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { changeHousehold, refreshHousehold, signOut, useHousehold } from '@/state/household';
import { useLog } from '@/state/log';
import { usePreferences } from '@/state/preferences';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy, LOOKS } from '@/copy/screens/kit/household';

const LENGTHS = [
  { value: 'mm' as const, title: 'Millimetres' },
  { value: 'in' as const, title: 'Inches' },
];

const TEMPERATURES = [
  { value: 'C' as const, title: 'Celsius' },
  { value: 'F' as const, title: 'Fahrenheit' },
];

/** The household's choices, how the app looks on this device, and the way out. */
export function HouseholdScreen() {
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
  return (
    <Screen title="Household" back="/kit">
      {problem !== null && <Banner tone="now" text={problem} />}
      {demo && <Banner tone="well" text={copy.thisIsYourOwn} />}
      <Stack gap="more">
        <Field
          label="Name"
          value={text.name}
          onChangeText={(value) => setText({ ...text, name: value })}
          error={errors.name}
        />
        <Field
          label="Time zone"
          hint={copy.daysBeginAndEnd}
          value={text.timeZone}
          onChangeText={(value) => setText({ ...text, timeZone: value })}
          error={errors.timeZone}
        />
        {changed && <Button title="Save" onPress={() => void save(text, { name, timeZone })} />}
        <LinkRow href="/kit/schools" label={copy.schoolsWherePractitionersDiffer}>
          <Text kind="strong">Schools</Text>
          <Text kind="small" tone="quiet">
            {copy.wherePractitionersDifferThe}
          </Text>
        </LinkRow>
        <Choice label={copy.lengthsOnThisDevice} options={LENGTHS} value={lengths} onChange={setLengths} />
        <Choice
          label={copy.temperaturesOnThisDevice}
          options={TEMPERATURES}
          value={temperatures}
          onChange={setTemperatures}
        />
        <Choice label={copy.lookOnThisDevice} options={LOOKS} value={look} onChange={setLook} />
      </Stack>
      <Stack gap="small">
        <Text kind="heading" level={2}>
          Account
        </Text>
        <Text tone="quiet">{email ?? copy.theDemoLibraryHas}</Text>
        <Button
          rank="outline"
          title={demo ? copy.leaveTheDemoLibrary : 'Sign out'}
          onPress={() => (unsent > 0 ? setLeaving(true) : void leave())}
        />
      </Stack>
      {leaving && (
        <Sheet
          title={copy.notEverythingIsSent}
          onClose={() => setLeaving(false)}
          foot={
            <Stack gap="small">
              <Button title="Stay" onPress={() => setLeaving(false)} />
              <Button rank="outline" title={copy.signOutAllThe} onPress={() => void leave()} />
            </Stack>
          }
        >
          <Text>{copy.onlyOnThisDevice(unsent)}</Text>
        </Sheet>
      )}
    </Screen>
  );
}
