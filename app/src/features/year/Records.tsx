import type { ResponseOf } from '@tembrin/contract';
import { View } from 'react-native';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { useFileInput } from '../files/files';
import { useRecords } from './use-records';
import { Row, Stack } from '@/ui/layout';
import { copy, OUT } from '@/copy/screens/year/records';

/** What goes out as files, and what comes in again. */
export function Records() {
  const { problem, busy, looked, out, bring, look, forget } = useRecords();
  const input = useFileInput(copy.fileToBringIn, '.json,.csv,.zip', (file) => void look(file));
  return (
    <Screen title={copy.outAndInAgain} back="/year">
      {problem !== null && <Banner tone="now" text={problem} />}
      <View>
        <LinkRow href="/year/diary" title={copy.putAPracticeDiary} text={copy.aSpreadsheetWithDates} />
      </View>
      <Stack gap="one">
        <Text kind="heading" level={2}>
          Out
        </Text>
        {OUT.map(({ id, title, what }) => (
          <Row key={id} gap="one" align="center">
            <Stack grow>
              <Text kind="strong">{title}</Text>
              <Text kind="small" tone="quiet">
                {what}
              </Text>
            </Stack>
            <Button
              rank="outline"
              title="Save"
              label={`Save ${title.toLowerCase()}`}
              busy={busy === id}
              onPress={() => void out(id)}
            />
          </Row>
        ))}
      </Stack>
      <Stack gap="small">
        <Text kind="heading" level={2}>
          In again
        </Text>
        <Text>{copy.aFileSavedHere}</Text>
        {input.element}
        <Button rank="outline" title={copy.chooseAFile} busy={busy === 'in'} onPress={input.open} start />
      </Stack>
      {looked && <ComesIn outcome={looked.outcome} onBring={() => void bring(looked.file)} onClose={forget} />}
    </Screen>
  );
}

/** What a file would bring, and what does not come along, before anything is kept. */
function ComesIn({
  outcome,
  onBring,
  onClose,
}: {
  outcome: ResponseOf<'importArchive'>;
  onBring: () => void;
  onClose: () => void;
}) {
  const comes = copy.comes(outcome);
  const stays = [...(outcome.known > 0 ? [copy.hereAlready(outcome.known)] : []), ...outcome.left];
  const foot = comes.length > 0 && <Button title={copy.bringItIn} onPress={onBring} />;
  return (
    <Sheet title={copy.whatComesIn} onClose={onClose} foot={foot}>
      <Stack gap="small">
        {(comes.length > 0 ? comes : [copy.nothingNew]).map((line) => (
          <Text key={line} kind="strong">
            {line}
          </Text>
        ))}
        {stays.map((line) => (
          <Text key={line} tone="quiet">
            {line}
          </Text>
        ))}
      </Stack>
    </Sheet>
  );
}
