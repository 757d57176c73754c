import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { View } from 'react-native';
import { useMay } from '@/state/people';
import { copy, LOOKS } from '@/copy/screens/kit/household';
import { Filling } from '../Filling';
import { useHouseholdForm, type HouseholdModel } from './use-household-form';

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
  const model = useHouseholdForm();
  const { demo, problem } = model;
  return (
    <Screen title="Household" back="/kit">
      {problem !== null && <Banner tone="now" text={problem} />}
      <Filling />
      {demo && <Banner tone="well" text={copy.thisIsYourOwn} />}
      <Settings model={model} />
      <View>
        <LinkRow href="/kit/people" title="People" text={copy.peopleText} />
        <LinkRow href="/kit/reminders" title="Reminders" text={copy.remindersText} />
      </View>
      <Account model={model} />
      <Leaving model={model} />
    </Screen>
  );
}

function Settings({ model }: { model: HouseholdModel }) {
  const {
    text,
    setText,
    errors,
    changed,
    save,
    name,
    timeZone,
    lengths,
    setLengths,
    temperatures,
    setTemperatures,
    look,
    setLook,
  } = model;
  const may = useMay('arrange');
  return (
    <Stack gap="more">
      {may && (
        <>
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
          <LinkRow href="/kit/schools" title="Schools" text={copy.wherePractitionersDifferThe} />
        </>
      )}
      <Choice label={copy.lengthsOnThisDevice} options={LENGTHS} value={lengths} onChange={setLengths} />
      <Choice
        label={copy.temperaturesOnThisDevice}
        options={TEMPERATURES}
        value={temperatures}
        onChange={setTemperatures}
      />
      <Choice label={copy.lookOnThisDevice} options={LOOKS} value={look} onChange={setLook} />
    </Stack>
  );
}

function Account({ model }: { model: HouseholdModel }) {
  const { email, demo, unsent, setLeaving, leave } = model;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        Account
      </Text>
      {email === null ? (
        <Text tone="quiet">{copy.theDemoLibraryHas}</Text>
      ) : (
        <LinkRow href="/kit/account" title={email} text={copy.accountText} />
      )}
      <Button
        rank="outline"
        title={demo ? copy.leaveTheDemoLibrary : 'Sign out'}
        onPress={() => (unsent > 0 ? setLeaving(true) : void leave())}
      />
    </Stack>
  );
}

function Leaving({ model }: { model: HouseholdModel }) {
  const { leaving, setLeaving, leave, unsent } = model;
  if (!leaving) return null;
  return (
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
  );
}
