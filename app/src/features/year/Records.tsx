import type { OperationId } from '@tembrin/contract';
import { useState } from 'react';
import { View } from 'react-native';
import { call, sentenceOf } from '@/state/api';
import { openCards } from '@/state/cards';
import { refreshAir } from '@/state/air';
import { refreshHousehold, useHousehold } from '@/state/household';
import { look as refreshLog } from '@/state/log';
import { notify } from '@/state/notice';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { download, useFileInput } from '../files/files';
import { Row, Stack } from '@/ui/layout';
import { copy, OUT } from '@/copy/screens/year/records';

/** What goes out as files, and what comes in again. */
export function Records() {
  const household = useHousehold((state) => state.household)!;
  const [problem, setProblem] = useState<string | null>(null);
  const [busy, setBusy] = useState<string | null>(null);
  const out = async (id: OperationId) => {
    setProblem(null);
    setBusy(id);
    try {
      await download(id);
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  const bring = async (file: File) => {
    setProblem(null);
    setBusy('in');
    try {
      const id = /\.csv$/i.test(file.name) ? 'importLog' : 'importArchive';
      const came = await call(id, { file });
      await refreshHousehold();
      await Promise.all([refreshLog(), openCards(household.id), refreshAir(true)]);
      notify(copy.entriesCameIn(came.events, came.instruments, came.known));
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  const input = useFileInput(copy.fileToBringIn, '.json,.csv', (file) => void bring(file));
  return (
    <Screen title={copy.outAndInAgain} back="/year">
      {problem !== null && <Banner tone="now" text={problem} />}
      <View>
        <LinkRow
          href="/year/diary"
          label={copy.putAPracticeDiary}
          title={copy.putAPracticeDiary}
          text={copy.aSpreadsheetWithDates}
        />
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
    </Screen>
  );
}
