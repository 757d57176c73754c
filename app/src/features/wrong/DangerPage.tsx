import { Button } from '@/ui/Button';
import { NumberedSteps } from '@/ui/NumberedSteps';
import { Plate, plateWidth } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useWide } from '@/ui/theme';
import { Inset, Row, Split, Stack } from '@/ui/layout';
import { listWords } from '@/copy/lists';
import { causeTitle, symptomsWords } from '@/copy/troubles';
import { copy } from '@/copy/screens/wrong/case';
import { CAUSES, zoneOfQuestion, type CauseId, type QuestionId, type SignId } from '@tembrin/core/triage';
import type { Instrument } from '@tembrin/contract';
import type { CaseModel } from './use-case';

/** A danger is the bow’s alone. */
const isOfBow = (id: CauseId) => id === 'tip-cracked';

/** Where a danger is looked for: at the look that shows it best. */
function zoneOf(id: CauseId, instrument: Instrument) {
  const sign = (Object.keys(CAUSES[id].shows) as SignId[]).find((each) => each.includes('/'));
  return sign ? zoneOfQuestion(sign.split('/')[0] as QuestionId, instrument.family) : 'whole';
}

/** What could not be played on without harm: first of all, before anything else is asked. */
export function DangerPage({ instrument, model }: { instrument: Instrument; model: CaseModel }) {
  const { judgement, given, heed } = model;
  const wide = useWide();
  const dangers = judgement?.dangers ?? [];
  if (!given || dangers.length === 0) return null;
  const titles = listWords(dangers.map((id) => causeTitle(id).replace(/^(The|A|An) /, (word) => word.toLowerCase())));
  const [first] = dangers;
  return (
    <Screen
      title={symptomsWords(given.symptoms)}
      back="/bench/wrong"
      broad
      foot={<Button title={copy.lookNow} onPress={heed} hotkey="Enter" />}
    >
      <Split gap="more">
        <Stack gap="half" grow={wide}>
          <Inset ground="now">
            <Text kind="huge" tone="ground" role="alert">
              {dangers.every(isOfBow) ? copy.stopBow : copy.stop}
            </Text>
          </Inset>
          <Row gap="one" align="center">
            <Stack minWidth={plateWidth(instrument, wide ? 300 : 150)}>
              <Plate
                subject={instrument}
                height={wide ? 300 : 150}
                lit={zoneOf(first!, instrument)}
                withBow={isOfBow(first!)}
              />
            </Stack>
            <Text kind="large" shrink>
              {copy.mayBe(titles)}
            </Text>
          </Row>
        </Stack>
        <Stack gap="half" grow={wide}>
          <Text kind="heading" level={2}>
            {copy.whatToDo}
          </Text>
          <NumberedSteps steps={[copy.stopFirst, ...new Set(dangers.map((id) => CAUSES[id].todo))]} />
          {[...new Set(dangers.flatMap((id) => CAUSES[id].never ?? []))].map((never) => (
            <Text key={never} tone="now">
              {never}
            </Text>
          ))}
          <Text kind="small" tone="quiet">
            {copy.untilRuledOut}
          </Text>
        </Stack>
      </Split>
    </Screen>
  );
}
