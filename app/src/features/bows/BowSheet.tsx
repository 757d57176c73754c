import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Field } from '@/ui/Field';
import { Sheet } from '@/ui/Sheet';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bows';
import { WhenField } from '../part/WhenField';
import type { BowFacts } from '@tembrin/core/bow';
import { useBowSheet, type BowSheetProps } from './use-bow-sheet';

/** A bow: its name, what it is played on, how much. */
export function BowSheet(props: BowSheetProps) {
  const { bow, nowMs, onClose } = props;
  const { bowed, facts, change, hair, setHair, timeZone, errors, problem, busy, save, gone } = useBowSheet(props);
  return (
    <Sheet
      title={bow ? copy.changeIt : copy.addABow}
      onClose={onClose}
      foot={<Button title={bow ? 'Save' : copy.addIt} busy={busy} onPress={save} />}
    >
      {problem !== null && <Banner tone="now" text={problem} />}
      <Stack gap="more">
        <Field
          label="Name"
          hint={copy.whatYouCallIt}
          value={facts.title}
          onChangeText={(title) => change({ title })}
          error={errors['title']}
        />
        <Choices
          label={copy.playedOnWhich}
          options={bowed.map(({ id: value, name }) => ({ value, title: name }))}
          values={facts.instrumentIds}
          onChange={(instrumentIds) => change({ instrumentIds })}
          error={errors['instrumentIds']}
        />
        <Choice
          label={copy.howMuch}
          options={[
            { value: 'often', title: copy.often },
            { value: 'seldom', title: copy.seldom },
          ]}
          value={facts.use}
          onChange={(use: BowFacts['use']) => change({ use })}
        />
        {!bow && (
          <WhenField
            label={copy.hairSince}
            value={hair}
            onChange={setHair}
            nowMs={nowMs}
            timeZone={timeZone}
            mayBeUnknown
          />
        )}
        {bow && <Button rank="plain" title={copy.hereNoMore} onPress={gone} start />}
      </Stack>
    </Sheet>
  );
}
