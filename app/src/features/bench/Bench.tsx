import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { View } from 'react-native';
import { usePlayersOf } from '@/state/people';
import { useInstrumentOnStand } from '@/state/stand';
import { Button } from '@/ui/Button';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { dayWords } from '@/copy/dates';
import { causeWords } from '@/copy/findings';
import { STEP_NAMES } from '@/copy/names';
import { OnStand } from '../now/OnStand';
import { RosinGuide } from '../RosinGuide';
import { LookUp } from './MayUse';
import { DRILL_DATA, drillsFor, LOOK_BACK_DAYS, missesOf, oftenMissed } from '@tembrin/core/learning';
import { JOB_TITLES } from '@tembrin/core/guided';
import { isBowed } from '@tembrin/core/instruments';
import { ROSIN_GUIDE_DATA, ROSIN_GUIDES } from '@tembrin/core/bow';
import type { InstrumentLog } from '@tembrin/core/log';
import { Grid, Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/bench';
import { useBench, type BenchModel } from './use-bench';

/** Route: the bench, for the instrument on the stand. */
export function Bench() {
  const instrument = useInstrumentOnStand();
  return instrument ? <BenchOf key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

/** Guided jobs: what may be used, packing, drills and what they have shown. */
function BenchOf({ instrument }: { instrument: Instrument }) {
  const model = useBench(instrument);
  const { log, guide, setGuide, wide } = model;

  const bench = (
    <Screen title="Bench" bare>
      <OnStand instrument={instrument} />
      <Jobs model={model} />
      {isBowed(instrument.family) && (
        <Stack gap="hair">
          <Text kind="heading" level={2}>
            {copy.rosinThatIsNot}
          </Text>
          <Grid padTop="small" gap="small">
            {ROSIN_GUIDES.map((id) => (
              <Button key={id} rank="outline" title={ROSIN_GUIDE_DATA[id].title} onPress={() => setGuide(id)} />
            ))}
          </Grid>
        </Stack>
      )}
      <Learn model={model} />
      <Missed instrument={instrument} log={log} />
      {guide && <RosinGuide id={guide} child={instrument.setUp.player === 'child'} onClose={() => setGuide(null)} />}
    </Screen>
  );
  if (!wide) return bench;
  return (
    <Row grow>
      <Stack grow>{bench}</Stack>
      <Stack grow rule="left">
        <LookUp instrument={instrument} second />
      </Stack>
    </Row>
  );
}

function Jobs({ model }: { model: BenchModel }) {
  const { wide, change, log, instrument, packed, reasons, under } = model;
  const moment = { nowMs: log.nowMs, timeZone: log.timeZone };
  return (
    <View>
      <LinkRow href="/bench/wrong" title={copy.wrong} text={copy.wrongText} large />
      <LinkRow
        href="/bench/look"
        title={copy.lookItOver}
        text={reasons[0] ? causeWords(reasons[0], moment) : copy.bridgeStringsHair}
        large
      />
      <LinkRow href="/bench/photo" title={copy.photo} text={copy.photoText} large />
      <LinkRow href="/bench/gauge" title={copy.gauge} text={copy.gaugeText} large />
      {!wide && <LinkRow href="/bench/use" title={copy.whatMayIUse} text={copy.chooseASurfaceAnd} large />}
      <LinkRow
        href="/bench/jobs"
        title={copy.jobs}
        text={under ? copy.jobUnderWay(JOB_TITLES[under.job]) : copy.jobsText}
        large
      />
      <LinkRow
        href="/bench/change"
        title="Change strings"
        text={change ? copy.underWaySinceTake(change.at, log.nowMs, log.timeZone) : copy.stepByStepWith}
        large
      />
      <LinkRow
        href={{ pathname: '/kit/[id]/settle', params: { id: instrument.id } }}
        title={copy.tuneAndSettle}
        text={copy.centsAgainstYourOwn}
        large
      />
      <LinkRow
        href="/bench/packing"
        title="Leaving home"
        text={packed ? `Packed ${dayWords(packed.at, log.nowMs, log.timeZone)}.` : copy.bowLooseThingsLatches}
        large
      />
    </View>
  );
}

function Learn({ model }: { model: BenchModel }) {
  const { instrument, log } = model;
  const who = useWho(instrument);
  return (
    <View>
      <Text kind="heading" level={2}>
        Learn
      </Text>
      {drillsFor(instrument).map((drill) => (
        <LinkRow
          key={drill}
          href={{ pathname: '/bench/[drill]', params: { drill } }}
          label={`${DRILL_DATA[drill].title}. ${DRILL_DATA[drill].asks} ${lastResult(log, drill, who)}`}
        >
          <Text kind="strong">{DRILL_DATA[drill].title}</Text>
          <Text kind="small" tone="quiet">
            {DRILL_DATA[drill].asks} {lastResult(log, drill, who)}
          </Text>
        </LinkRow>
      ))}
    </View>
  );
}

/** Who drills on this device, where several play it. */
function useWho({ id }: Instrument): string | undefined {
  const { players, current } = usePlayersOf(id);
  return players.length > 1 ? current?.id : undefined;
}

function lastResult(log: InstrumentLog, drill: string, who: string | undefined): string {
  const last = log.drills.findLast(
    (each) => each.drill === drill && (who === undefined || each.who === undefined || each.who === who),
  );
  return last ? `Last: ${last.right} of ${last.of}, ${dayWords(last.at, log.nowMs, log.timeZone)}.` : '';
}

/** For a parent or teacher: which steps keep being missed, in rounds and in drills. */
function Missed({ instrument, log }: Pick<BenchModel, 'instrument' | 'log'>) {
  const who = useWho(instrument);
  const missed = missesOf(log, who)
    .filter((each) => each.missed > 0)
    .slice(0, 6);
  const emphasised = oftenMissed(log, who);
  if (missed.length === 0) return null;
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        Missed lately
      </Text>
      <Text kind="small" tone="quiet">
        {copy.closingRoundsAndDrills(LOOK_BACK_DAYS)}
      </Text>
      <View role="table" aria-label={copy.stepsMissedLately}>
        {missed.map(({ step, asked, missed: times }) => (
          <Row key={step} role="row" padY="small" gap="one" align="baseline" rule="bottom">
            <Text role="rowheader" kind={emphasised.has(step) ? 'smallStrong' : 'small'} grow>
              {STEP_NAMES[step]}
            </Text>
            <Text role="cell" kind="table">
              {`${times} of ${asked}${emphasised.has(step) ? ', more room' : ''}`}
            </Text>
          </Row>
        ))}
      </View>
    </Stack>
  );
}
