import { byUrgency, FIGURE_DATA, figuresOf, lastMeasure, type InstrumentLog } from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { View } from 'react-native';
import { useComplete, useJudged } from '@/state/condition';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { GAP, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { verdictSentence } from '@/words/air';
import { hoursWords } from '@/words/dates';
import { measureWords, type LengthUnit } from '@/words/measures';
import { kindWords } from '@/words/names';
import { DueList } from '../DueList';
import { ChangeButton } from './ChangeButton';
import { History } from './History';

/** One instrument: its threads and its history. */
export function InstrumentScreen({ instrument, second }: { instrument: Instrument; second?: boolean }) {
  const wide = useWide();
  const { log, condition } = useJudged(instrument);
  const complete = useComplete(instrument.id);
  const { standId, putOnStand, lengths } = useLook();
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  const hours =
    log.playing.begins.length === 0
      ? 0
      : log.playing.hoursBefore.at(-1)! + (log.playing.ends.at(-1)! - log.playing.begins.at(-1)!) / 3_600_000;
  const stand = () => {
    putOnStand(instrument.id);
    router.push('/now');
  };
  useKeys({ p: { label: `Put ${instrument.name} on the stand`, run: stand } });
  return (
    <Screen
      title={instrument.name}
      back={wide ? undefined : '/kit'}
      second={second}
      aside={<ChangeButton instrument={instrument} />}
    >
      <View style={{ flexDirection: 'row', gap: GAP.one, alignItems: 'center' }}>
        <Plate subject={instrument} height={150} withBow />
        <View style={{ flex: 1, gap: GAP.small }}>
          <Words>{kindWords(instrument)}</Words>
          <Words kind="small" tone="quiet">
            {complete
              ? `${hoursWords(hours)} played in ${log.sessions.length} sessions on record.`
              : 'Fetching the log …'}
          </Words>
          <Button
            rank="outline"
            title={standId === instrument.id ? 'On the stand' : 'Put on the stand'}
            onPress={stand}
            style={{ alignSelf: 'flex-start' }}
          />
        </View>
      </View>
      <View>
        <Row
          href={{ pathname: '/kit/[id]/on', params: { id: instrument.id } }}
          label={`Strings of ${instrument.name}: what is on, and what it pulls`}
        >
          <Words kind="strong">Strings</Words>
          <Words kind="small" tone="quiet">
            What is on, what it pulls, the next change, and tuning.
          </Words>
        </Row>
        <Row
          href={{ pathname: '/kit/[id]/set-up', params: { id: instrument.id } }}
          label={`Set-up sheet of ${instrument.name}`}
        >
          <Words kind="strong">Set-up sheet</Words>
          <Words kind="small" tone="quiet">
            {setUpWords(instrument, log, lengths)}
          </Words>
        </Row>
        <Row
          href={{ pathname: '/air/wood/[id]', params: { id: instrument.id } }}
          label={`Where ${instrument.name} lives, and its wood`}
        >
          <Words kind="strong">Where it lives, and its wood</Words>
          <Words kind="small" tone="quiet">
            {verdictSentence(condition.air!.verdict, instrument, moment, lengths)}
          </Words>
        </Row>
        <Row
          href={{ pathname: '/kit/[id]/schools', params: { id: instrument.id } }}
          label={`Schools of ${instrument.name}`}
        >
          <Words kind="strong">Schools</Words>
          <Words kind="small" tone="quiet">
            {Object.keys(instrument.schools).length === 0
              ? 'As the household.'
              : `Its own way in ${Object.keys(instrument.schools).length}.`}
          </Words>
        </Row>
      </View>
      {complete && (
        <>
          <DueList
            pace={condition.pace}
            threads={byUrgency(condition.threads)}
            instrument={instrument}
            moment={moment}
            hrefOf={(part) => ({ pathname: '/kit/[id]/[part]', params: { id: instrument.id, part } })}
          />
          <History instrument={instrument} log={log} />
        </>
      )}
    </Screen>
  );
}

/** The latest figures of the set-up sheet in a line. */
function setUpWords(instrument: Instrument, log: InstrumentLog, lengths: LengthUnit): string {
  const known = figuresOf(instrument).flatMap((figure) => lastMeasure(log, figure) ?? []);
  if (known.length === 0) return 'Its fit as numbers with dates. Nothing measured yet.';
  const words = known
    .slice(0, 3)
    .map(({ figure, value }) => `${FIGURE_DATA[figure].title.toLowerCase()} ${measureWords(figure, value, lengths)}`)
    .join(', ');
  return `${words.charAt(0).toUpperCase()}${words.slice(1)}.`;
}
