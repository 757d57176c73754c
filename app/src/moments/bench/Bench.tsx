import {
  DRILL_DATA,
  drillsFor,
  FAMILY_FACTS,
  LOOK_BACK_DAYS,
  missesOf,
  ROSIN_GUIDE_DATA,
  ROSIN_GUIDES,
  stepsWithRoom,
  type InstrumentLog,
  type RosinGuideId,
} from '@tembrin/core';
import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useJudged } from '@/state/condition';
import { standOf, useHousehold } from '@/state/household';
import { useLook } from '@/state/look';
import { Button } from '@/ui/Button';
import { Row } from '@/ui/Row';
import { Screen } from '@/ui/Screen';
import { GAP, usePalette, useWide } from '@/ui/theme';
import { Words } from '@/ui/Words';
import { dayWords } from '@/words/dates';
import { STEP_NAMES } from '@/words/names';
import { OnStand } from '../now/OnStand';
import { RosinGuide } from '../RosinGuide';
import { LookUp } from './MayUse';

/** Route: the bench, for the instrument on the stand. */
export function Bench() {
  const household = useHousehold((state) => state.household)!;
  const standId = useLook((state) => state.standId);
  const instrument = standOf(household, standId);
  return instrument ? <BenchOf key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

/** Guided jobs: what may be used, packing, drills and what they have shown. */
function BenchOf({ instrument }: { instrument: Instrument }) {
  const { log } = useJudged(instrument);
  const [guide, setGuide] = useState<RosinGuideId | null>(null);
  const packed = log.packings.at(-1);
  const change = log.changes.findLast(({ endedAt }) => endedAt === null);
  const wide = useWide();
  const { line } = usePalette();
  const bench = (
    <Screen title="Bench" bare>
      <OnStand instrument={instrument} />
      <View>
        {!wide && (
          <Row href="/bench/use" label="What may I use on this?">
            <Words kind="heading">What may I use on this?</Words>
            <Words kind="small" tone="quiet">
              Choose a surface and what is in your hand: allowed, only so, or never, and why.
            </Words>
          </Row>
        )}
        <Row href="/bench/change" label="Change strings, step by step">
          <Words kind="heading">Change strings</Words>
          <Words kind="small" tone="quiet">
            {change
              ? `Under way since ${dayWords(change.at, log.nowMs, log.timeZone)}: take it up where you left it.`
              : 'Step by step with hands busy, over a sitting or over days.'}
          </Words>
        </Row>
        <Row href={{ pathname: '/kit/[id]/settle', params: { id: instrument.id } }} label="Tune and settle">
          <Words kind="heading">Tune and settle</Words>
          <Words kind="small" tone="quiet">
            Cents against your own A; when new strings will hold.
          </Words>
        </Row>
        <Row href="/bench/packing" label="Leaving home: the packing check">
          <Words kind="heading">Leaving home</Words>
          <Words kind="small" tone="quiet">
            {packed
              ? `Packed ${dayWords(packed.at, log.nowMs, log.timeZone)}.`
              : 'Bow, loose things, latches, car: looked at in a minute.'}
          </Words>
        </Row>
      </View>
      {FAMILY_FACTS[instrument.family].bowed && (
        <View style={{ gap: GAP.hair }}>
          <Words kind="heading" level={2}>
            Rosin that is not everyday
          </Words>
          <View style={{ flexDirection: 'row', flexWrap: 'wrap', gap: GAP.small, paddingTop: GAP.small }}>
            {ROSIN_GUIDES.map((id) => (
              <Button key={id} rank="outline" title={ROSIN_GUIDE_DATA[id].title} onPress={() => setGuide(id)} />
            ))}
          </View>
        </View>
      )}
      <View>
        <Words kind="heading" level={2}>
          Learn
        </Words>
        {drillsFor(instrument).map((drill) => (
          <Row
            key={drill}
            href={{ pathname: '/bench/[drill]', params: { drill } }}
            label={`${DRILL_DATA[drill].title}. ${DRILL_DATA[drill].asks}`}
          >
            <Words kind="strong">{DRILL_DATA[drill].title}</Words>
            <Words kind="small" tone="quiet">
              {DRILL_DATA[drill].asks} {lastResult(log, drill)}
            </Words>
          </Row>
        ))}
      </View>
      <Missed log={log} />
      {guide && <RosinGuide id={guide} child={instrument.setUp.player === 'child'} onClose={() => setGuide(null)} />}
    </Screen>
  );
  if (!wide) return bench;
  return (
    <View style={{ flex: 1, flexDirection: 'row' }}>
      <View style={{ flex: 1 }}>{bench}</View>
      <View style={{ flex: 1, borderLeftWidth: 1, borderLeftColor: line }}>
        <LookUp instrument={instrument} second />
      </View>
    </View>
  );
}

function lastResult(log: InstrumentLog, drill: string): string {
  const last = log.drills.findLast((each) => each.drill === drill);
  return last ? `Last: ${last.right} of ${last.of}, ${dayWords(last.at, log.nowMs, log.timeZone)}.` : '';
}

/** For a parent or teacher: which steps keep being missed, in rounds and in drills. */
function Missed({ log }: { log: InstrumentLog }) {
  const { line } = usePalette();
  const missed = missesOf(log)
    .filter((each) => each.missed > 0)
    .slice(0, 6);
  const room = stepsWithRoom(log);
  if (missed.length === 0) return null;
  return (
    <View style={{ gap: GAP.hair }}>
      <Words kind="heading" level={2}>
        Missed lately
      </Words>
      <Words kind="small" tone="quiet">
        {`Closing rounds and drills of the last ${LOOK_BACK_DAYS} days. The round gives a step more room while it keeps being missed.`}
      </Words>
      <View role="table" aria-label="Steps missed lately">
        {missed.map(({ step, asked, missed: times }) => (
          <View
            key={step}
            role="row"
            style={{
              flexDirection: 'row',
              gap: GAP.one,
              alignItems: 'baseline',
              paddingVertical: GAP.small,
              borderBottomWidth: 1,
              borderBottomColor: line,
            }}
          >
            <Words role="rowheader" kind={room.has(step) ? 'smallStrong' : 'small'} style={{ flex: 1 }}>
              {STEP_NAMES[step]}
            </Words>
            <Words role="cell" kind="table">
              {`${times} of ${asked}${room.has(step) ? ', more room' : ''}`}
            </Words>
          </View>
        ))}
      </View>
    </View>
  );
}
