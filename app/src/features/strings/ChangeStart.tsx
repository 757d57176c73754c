import { DOER_TITLES, type Instrument } from '@tembrin/contract';
import { useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useCards } from '@/state/cards';
import { act } from '@/state/actions';
import { useHousehold } from '@/state/household';
import { useStrings } from '@/state/assessments';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { listWords } from '@/copy/lists';
import { REASON_NAMES } from '@/copy/names';
import { noteNames } from '@/copy/strings';
import { useSetChoices, useSparesFor } from './sets';
import { StringRange } from './StringRange';
import { changeJob, OLD_SPARE_YEARS, settleDays, type ChangeWay } from '@tembrin/core/strings';
import { nextPerformance } from '@tembrin/core/year';
import type { Doer, FitReason } from '@tembrin/core/log';
import { Stack } from '@/ui/layout';
import { copy, WAYS } from '@/copy/screens/strings/change-start';

const WHY: readonly FitReason[] = ['worn', 'broke', 'frayed', 'experiment', 'set'];
const NOT_SAID = 'not-said';
const SAME_AS_ON = 'as-on';

/** What is to be changed, with what, why, by whom and how; then the job begins. */
export function ChangeStart({ instrument }: { instrument: Instrument }) {
  const asked = useLocalSearchParams<{ strings?: string; why?: string; set?: string }>();
  const { timeZone } = useHousehold((state) => state.household)!;
  const { log, on, schools } = useStrings(instrument);
  const occasions = useCards('occasion').map(({ facts }) => facts);
  const sets = useSetChoices(instrument);
  const all = Array.from({ length: instrument.stringCount }, (_, at) => at);
  const many = all.length > 12;
  const first = asked.strings && asked.strings !== 'all' ? asked.strings.split(',').map(Number) : many ? [] : all;
  const [which, setWhich] = useState<number[]>(first.filter((at) => all.includes(at)));
  const [why, setWhy] = useState<FitReason>(WHY.find((each) => each === asked.why) ?? 'worn');
  const [by, setBy] = useState<Doer>(instrument.setUp.player === 'child' ? 'teacher' : 'self');
  const [way, setWay] = useState<ChangeWay>(schools.changing);
  const spares = useSparesFor(instrument, which[0] ?? -1);
  const single = which.length === 1;
  const [from, setFrom] = useState<string | null>(null);
  const sources = [
    ...(single
      ? spares.map(({ card, left }) => ({ value: card.id, title: `${card.facts.title} (${left} left)` }))
      : sets.map(({ key, title }) => ({ value: key, title }))),
    { value: SAME_AS_ON, title: copy.theSameAsIs },
    { value: NOT_SAID, title: 'Say later' },
  ];
  // What lies in the cupboard, else the same again; what nobody said is not made up.
  const inCupboard = single ? spares[0]?.card.id : sets.find(({ spareId }) => spareId !== null)?.key;
  const described = which.some((at) => on[at]?.spec);
  const usual = inCupboard ?? (described ? SAME_AS_ON : NOT_SAID);
  const wanted = from ?? asked.set ?? usual;
  const source = sources.some(({ value }) => value === wanted) ? wanted : usual;
  const set = sets.find(({ key }) => key === source);
  const spare = spares.find(({ card }) => card.id === source);
  const specOf = (position: number) =>
    source === SAME_AS_ON
      ? (on[position]?.spec ?? null)
      : single && spare
        ? spare.spec
        : (set?.strings[position] ?? null);
  const names = noteNames(instrument);
  const positions = [...which].sort((a, b) => a - b);
  const job = changeJob(instrument, way, positions.length > 0 ? positions : [0], specOf);
  const performance = nextPerformance(occasions, instrument.id, log.nowMs, timeZone);
  const settles = settleDays(positions.map((at) => specOf(at) ?? on[at]?.spec ?? null));
  const tooClose = performance !== null && performance.inDays < settles;
  const bought = spare?.card.facts.boughtOn ?? null;
  const old = bought !== null && log.nowMs - Date.parse(bought) > OLD_SPARE_YEARS * 365.25 * 86_400_000;

  const begin = async () => {
    const spareId = single ? (spare?.card.id ?? null) : (set?.spareId ?? null);
    await act(
      instrument.id,
      [
        {
          type: 'change-began',
          payload: {
            strings: positions,
            reason: why,
            way: job.way,
            by,
            specs: positions.map(specOf),
            ...(spareId && { spares: positions.map(() => spareId) }),
          },
        },
      ],
      null,
    );
  };
  return (
    <Screen
      title="Change strings"
      back="/bench"
      foot={
        <Button
          title={positions.length === 0 ? copy.chooseWhichStrings : 'Begin'}
          disabled={positions.length === 0}
          onPress={() => void begin()}
        />
      }
    >
      <Text kind="small" tone="quiet">
        {instrument.name}
      </Text>
      {tooClose && (
        <Banner
          tone="soon"
          text={copy.isOnTheseTake({
            title: performance.title,
            inDays: performance.inDays,
            aheadMs: performance.inDays * 86_400_000,
            atMs: performance.atMs,
            nowMs: log.nowMs,
            timeZone,
            settleMs: settles * 86_400_000,
          })}
        />
      )}
      <Stack gap="more">
        {many && (
          <StringRange
            instrument={instrument}
            empty
            onChange={(next) => {
              setWhich(next);
              setFrom(null);
            }}
          />
        )}
        {!many && (
          <Choices
            label="Which strings?"
            options={[...all]
              .reverse()
              .map((value) => ({ value, title: many ? `${names[value]} (${all.length - value})` : names[value]! }))}
            values={which}
            onChange={(next) => {
              setWhich(next);
              setFrom(null);
            }}
          />
        )}
        {many && which.length > 0 && <Text>{listWords([...which].sort((a, b) => b - a).map((at) => names[at]!))}</Text>}
        {!single && !many && which.length < all.length && (
          <Button rank="plain" title={copy.theWholeSet} onPress={() => setWhich(all)} start flush />
        )}
        <Choice
          label={copy.whyDoTheOld}
          options={WHY.map((value) => ({ value, title: REASON_NAMES[value] }))}
          value={why}
          onChange={setWhy}
        />
        <Choice label={copy.whatGoesOn} options={sources} value={source} onChange={setFrom} />
        {old && (
          <Text kind="small" tone="soon">
            {copy.boughtMoreThanYears(OLD_SPARE_YEARS)}
          </Text>
        )}
        <Choice
          label={copy.whoDoesIt}
          options={(['self', 'teacher', 'workshop'] as const).map((value) => ({ value, title: DOER_TITLES[value] }))}
          value={by}
          onChange={setBy}
        />
        {positions.length > 1 && (
          <>
            <Choice label="How?" options={WAYS} value={way} onChange={setWay} />
            {job.refusedAllOff && <Banner tone="soon" text={copy.allOffIsFor} />}
          </>
        )}
        {positions.length > 0 && (
          <Text kind="small" tone="quiet">
            {copy.inThisOrderAbout(listWords(job.order.map((at) => names[at]!)), settles * 86_400_000)}
          </Text>
        )}
      </Stack>
    </Screen>
  );
}
