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

const OUT: readonly { id: OperationId; title: string; what: string }[] = [
  {
    id: 'exportArchive',
    title: 'Everything',
    what: 'Instruments, dates, prices, spares and the whole log as one .json file. It can come in again.',
  },
  { id: 'exportLog', title: 'The log', what: 'Every entry, a line each, without a loss (.csv).' },
  { id: 'exportSessions', title: 'Sessions', what: 'What was played when, for a spreadsheet (.csv).' },
  { id: 'exportStrings', title: 'Strings', what: 'Every string’s time on: days, hours, why it came off (.csv).' },
];

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
      notify(
        `${came.events} entries came in${came.instruments > 0 ? `, with ${came.instruments} ${came.instruments === 1 ? 'instrument' : 'instruments'}` : ''}${came.known > 0 ? `; ${came.known} were here already` : ''}.`,
      );
    } catch (error) {
      setProblem(sentenceOf(error));
    } finally {
      setBusy(null);
    }
  };
  const input = useFileInput('File to bring in', '.json,.csv', (file) => void bring(file));
  return (
    <Screen title="Out and in again" back="/year">
      {problem !== null && <Banner tone="now" text={problem} />}
      <View>
        <LinkRow href="/year/diary" label="Put a practice diary on record">
          <Text kind="strong">Put a practice diary on record</Text>
          <Text kind="small" tone="quiet">
            A spreadsheet with dates and minutes (.csv), looked at before anything is kept.
          </Text>
        </LinkRow>
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
        <Text>
          A file saved here, .json or the log in .csv. All of it comes in or nothing; what is here already stays as it
          is. Readings of hygrometers are not part of it.
        </Text>
        {input.element}
        <Button rank="outline" title="Choose a file" busy={busy === 'in'} onPress={input.open} start />
      </Stack>
    </Screen>
  );
}
