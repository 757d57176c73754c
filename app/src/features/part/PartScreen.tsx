import type { Instrument } from '@tembrin/contract';
import type { Href } from 'expo-router';
import { useAssessment, useComplete } from '@/state/assessments';
import { saidOf, useBows } from '@/state/bows';
import { Empty } from '@/ui/Empty';
import { Figures } from '@/ui/Figures';
import { Screen } from '@/ui/Screen';
import { LinkRow } from '@/ui/LinkRow';
import { StateMark } from '@/ui/StateMark';
import { Thread } from '@/ui/Thread';
import { Text } from '@/ui/Text';
import { dateWords } from '@/copy/dates';
import type { Moment } from '@/copy/lists';
import { PART_NAMES } from '@/copy/names';
import { reasonFor } from '@/copy/parts';
import { workingOf } from '@/copy/parts/working';
import { sinceNewWords, tradeMarks } from '@/copy/strings';
import { JobLink } from '../JobLink';
import { PartActions } from './PartActions';
import { ResidueOnPlate } from './ResidueOnPlate';
import { isOnBow, partOf, type PartId, type Thread as ThreadData } from '@tembrin/core/parts';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/part/part';

export interface PartScreenProps {
  instrument: Instrument;
  part: PartId;
  back?: Href;
  /** The bow whose part it is; the one in hand when left out. */
  bowId?: string;
  /** Beside the stand on a wide screen. */
  second?: boolean;
}

/** The working of one part's verdict: the thread large, the figures, the rule, the school, what would change it; and doing it. */
export function PartScreen({ instrument, part, back, bowId, second }: PartScreenProps) {
  const { log, threads: all, pace: own, schools } = useAssessment(instrument);
  const bows = useBows(instrument);
  const bow = isOnBow(part) ? (bows.find((each) => each.bow.id === bowId) ?? bows[0]) : undefined;
  const { threads, pace } = bow ?? { threads: all, pace: own };
  const complete = useComplete(instrument.id);
  const thread = threads.find((each) => each.part === part);
  if (!complete || !thread) {
    return (
      <Screen title={PART_NAMES[part]} back={back} second={second}>
        {complete ? (
          <Empty title={copy.nothingOfTheKind} text={`${instrument.name} has no ${PART_NAMES[part].toLowerCase()}.`} />
        ) : (
          // A verdict from half a log is a wrong one.
          <Text tone="quiet">{FETCHING_LOG}</Text>
        )}
      </Screen>
    );
  }
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const job = partOf(part).job;
  const { figures, rule, school, changes } = workingOf(thread, { pace, instrument, schools, moment });
  return (
    <Screen
      title={PART_NAMES[part]}
      back={back}
      second={second}
      aside={<StateMark state={thread.state} />}
      foot={
        <PartActions
          thread={thread}
          instrument={instrument}
          bow={bow ? saidOf(bow.bow.id, instrument, bows) : {}}
          nowMs={moment.nowMs}
        />
      }
    >
      <Stretched
        thread={thread}
        instrument={instrument}
        of={bow && bows.length > 1 ? bow.name : instrument.name}
        moment={moment}
      />
      {thread.part === 'strings' && (
        <LinkRow
          href={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
          title={copy.whatIsOnAndWhat}
          text={copy.stringByStringAnother}
        />
      )}
      {thread.part === 'residue' && <ResidueOnPlate instrument={instrument} schools={schools} zones={thread.zones} />}
      {job && <JobLink job={job} instrumentId={instrument.id} />}
      <Figures rows={figures} />
      <Explained title="Rule" text={rule} />
      <Explained title="School" text={school} />
      <Stack gap="hair">
        <Text kind="heading" level={2}>
          {copy.whatWouldChangeIt}
        </Text>
        {changes.map((change) => (
          <Text key={change}>{change}</Text>
        ))}
      </Stack>
    </Screen>
  );
}

/** The thread large, with its ends, and why it stands as it does. */
function Stretched({
  thread,
  instrument,
  of,
  moment,
}: {
  thread: ThreadData;
  instrument: Instrument;
  of: string;
  moment: Moment;
}) {
  const date = (atMs: number) => dateWords(atMs, moment.nowMs, moment.timeZone);
  return (
    <Stack gap="small">
      <Text kind="small" tone="quiet">
        {of}
      </Text>
      <Thread
        {...thread}
        {...moment}
        label={PART_NAMES[thread.part]}
        tall
        marks={thread.part === 'strings' && thread.from !== null ? tradeMarks(instrument.family, thread.from) : []}
      />
      <Row justify="between">
        <Text kind="small" tone="quiet">
          {thread.from === null || thread.dateMissing ? copy.startNotKnown : date(thread.from)}
        </Text>
        {thread.window && (
          <Text kind="small" tone="quiet">
            {date(thread.window.late)}
          </Text>
        )}
      </Row>
      <Text>{reasonFor(thread, instrument, moment)}</Text>
      {thread.part === 'strings' && thread.from !== null && (
        <Text kind="small" tone="quiet">
          {sinceNewWords(instrument.family, moment.nowMs - thread.from)}
        </Text>
      )}
    </Stack>
  );
}

function Explained({ title, text }: { title: string; text: string }) {
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {title}
      </Text>
      <Text>{text}</Text>
    </Stack>
  );
}
