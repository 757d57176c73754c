import { DAY_MS } from '@tembrin/core/time';
import type { Instrument } from '@tembrin/contract';
import { DOER_TITLES } from '@tembrin/contract/year-words';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { listWords } from '@/copy/lists';
import { REASON_NAMES } from '@/copy/names';
import { StringRange } from './StringRange';
import { OLD_SPARE_YEARS } from '@tembrin/core/strings';
import { Stack } from '@/ui/layout';
import { copy, WAYS } from '@/copy/screens/strings/change-start';
import { useChangeStart, WHY, type ChangeStartModel } from './use-change-start';

/** What is to be changed, with what, why, by whom and how; then the job begins. */
export function ChangeStart({ instrument }: { instrument: Instrument }) {
  const model = useChangeStart(instrument);
  const { timeZone, log, why, setWhy, by, setBy, positions, performance, settleMs, tooClose, begin } = model;
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
      {tooClose && performance && (
        <Banner
          tone="soon"
          text={copy.isOnTheseTake({
            title: performance.title,
            inDays: performance.inDays,
            aheadMs: performance.inDays * DAY_MS,
            atMs: performance.atMs,
            nowMs: log.nowMs,
            timeZone,
            settleMs,
          })}
        />
      )}
      <Stack gap="more">
        <WhichStrings model={model} />
        <Choice
          label={copy.whyDoTheOld}
          options={WHY.map((value) => ({ value, title: REASON_NAMES[value] }))}
          value={why}
          onChange={setWhy}
        />
        <FromWhere model={model} />
        <Choice
          label={copy.whoDoesIt}
          options={(['self', 'teacher', 'workshop'] as const).map((value) => ({ value, title: DOER_TITLES[value] }))}
          value={by}
          onChange={setBy}
        />
        <How model={model} />
      </Stack>
    </Screen>
  );
}

/** Which strings come off. */
function WhichStrings({ model }: { model: ChangeStartModel }) {
  const { many, instrument, setWhich, setFrom, all, names, which, single } = model;
  return (
    <>
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
    </>
  );
}

/** What goes on, and whether it has lain too long. */
function FromWhere({ model }: { model: ChangeStartModel }) {
  const { sources, source, setFrom, old } = model;
  return (
    <>
      <Choice label={copy.whatGoesOn} options={sources} value={source} onChange={setFrom} />
      {old && (
        <Text kind="small" tone="soon">
          {copy.boughtMoreThanYears(OLD_SPARE_YEARS)}
        </Text>
      )}
    </>
  );
}

function How({ model }: { model: ChangeStartModel }) {
  const { positions, way, setWay, job, names, settleMs } = model;
  return (
    <>
      {positions.length > 1 && (
        <>
          <Choice label="How?" options={WAYS} value={way} onChange={setWay} />
          {job.refusedAllOff && <Banner tone="soon" text={copy.allOffIsFor} />}
        </>
      )}
      {positions.length > 0 && (
        <Text kind="small" tone="quiet">
          {copy.inThisOrderAbout(listWords(job.order.map((at) => names[at]!)), settleMs)}
        </Text>
      )}
    </>
  );
}
