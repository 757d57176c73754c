import type { Instrument } from '@tembrin/contract';
import { Banner } from '@/ui/Banner';
import { After } from '@/ui/After';
import { Button } from '@/ui/Button';
import { Plate } from '@/ui/Plate';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { openingWords } from '@/copy/because';
import { asideWords, causeWords, dangerWords, foundWords } from '@/copy/findings';
import type { Moment } from '@/copy/lists';
import { DueList } from '../DueList';
import { BowTonight } from '../bows/BowTonight';
import { useAssessment, useComplete, type InstrumentAssessment } from '@/state/assessments';
import { useBowNames, useBows } from '@/state/bows';
import { AtWorkshop, OpenTroubles } from '../jobs/routes';
import { WhoPlays } from '../people/WhoPlays';
import { OnStand } from './OnStand';
import { Panes } from './Panes';
import { Playing } from './Playing';
import { type PartId } from '@tembrin/core/parts';
import { openLookOver } from '@tembrin/core/inspection';
import { stayNow } from '@tembrin/core/log';
import { openingRound } from '@tembrin/core/routines';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/now/stand';
import { useStand, type StandModel } from './use-stand';

/** The stand: the instrument, what to do before playing, the clock while playing, and below what is due. */
export function Stand({ instrument, part }: { instrument: Instrument; part: PartId | null }) {
  const { log } = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const stay = complete && !log.running ? stayNow(log) : null;
  return stay ? (
    <AtWorkshop instrument={instrument} stay={stay} moment={log} />
  ) : (
    <AtHome instrument={instrument} part={part} />
  );
}

function AtHome({ instrument, part }: { instrument: Instrument; part: PartId | null }) {
  const model = useStand(instrument);
  const bows = useBows(instrument);
  const bow = bows.length > 1 ? bows[0]!.name : null;
  const {
    wide,
    assessment,
    complete,
    log,
    pace,
    moment,
    threads,
    earlier,
    tightSince,
    round,
    start,
    closing,
    slacken,
  } = model;
  const due = (
    <After>
      <DueList
        pace={pace}
        threads={threads}
        instrument={instrument}
        moment={moment}
        chosen={part}
        bow={bow}
        hrefOf={(id) => ({ pathname: '/now/[part]', params: { part: id } })}
      />
      <Button rank="plain" title={copy.enterASessionPlayed} onPress={earlier} start flush />
    </After>
  );

  if (log.running)
    return (
      <Playing
        instrument={instrument}
        session={log.running}
        assessment={assessment}
        wide={wide}
        due={due}
        part={part}
      />
    );
  const before = (
    <Screen
      bare
      title={instrument.name}
      foot={
        <>
          {round && <Button title={copy.goOnWithThe} onPress={closing} hotkey="c" />}
          <Button
            title="Start playing"
            rank={round ? 'outline' : 'solid'}
            onPress={start}
            hotkey="s"
            disabled={!complete}
          />
        </>
      }
    >
      <OnStand instrument={instrument} />
      <WhoPlays instrument={instrument} />
      <Row gap="one" minHeight={190}>
        <Headline model={model} />
        <Plate subject={instrument} height={wide ? 440 : 208} withBow />
      </Row>
      {tightSince !== null && !round && (
        <Banner tone="now" text={copy.notSlackenedSinceA(tightSince, moment.nowMs, moment.timeZone)}>
          <Button rank="plain" title="Slackened now" onPress={slacken} start />
        </Banner>
      )}
      {complete && <BeforeIt instrument={instrument} model={model} />}
      {complete && !wide && due}
    </Screen>
  );
  if (!wide) return before;
  return <Panes first={before} due={complete && due} instrument={instrument} part={part} />;
}

/** What there is to see to before it is played. */
function BeforeIt({ instrument, model }: { instrument: Instrument; model: StandModel }) {
  const { assessment, round, moment } = model;
  return (
    <>
      {assessment.log.troubles.some(({ settled }) => settled === null) && <OpenTroubles instrument={instrument} />}
      <FoundNow instrument={instrument} assessment={assessment} />
      <BowTonight instrument={instrument} />
      <BeforeYouPlay model={model} />
      {!round && <LookOffer assessment={assessment} moment={moment} />}
    </>
  );
}

/** What was found and is open; what forbids playing stands out. */
function FoundNow({ instrument, assessment }: { instrument: Instrument; assessment: InstrumentAssessment }) {
  const { found, foundAside } = assessment;
  const names = useBowNames(instrument);
  if (found.length + foundAside.length === 0) return null;
  const page = { pathname: '/kit/[id]/found', params: { id: instrument.id } } as const;
  const danger = dangerWords(found, instrument);
  return (
    <>
      {danger !== null && <Banner tone="now" text={danger} />}
      {found.length > 0 && <LinkRow href={page} title={copy.foundAndOpen} text={foundWords(found, instrument)} />}
      {foundAside.map(({ bow, found: open }) => (
        <LinkRow
          key={bow.id}
          href={{ pathname: '/kit/[id]/bows/[bow]', params: { id: instrument.id, bow: bow.id } }}
          title={copy.foundAside}
          text={asideWords(names.get(bow.id) ?? copy.foundAside, open, instrument)}
        />
      ))}
    </>
  );
}

/** A look-over, offered where something gives cause, or gone on with. */
function LookOffer({ assessment: { log, reasons }, moment }: { assessment: InstrumentAssessment; moment: Moment }) {
  const under = openLookOver(log) !== null;
  if (!under && !reasons[0]) return null;
  return (
    <LinkRow
      href={under ? '/bench/looking' : '/bench/look'}
      title={copy.lookItOver}
      text={under ? copy.goOnLooking : causeWords(reasons[0]!, moment)}
    />
  );
}

function BeforeYouPlay({ model }: { model: StandModel }) {
  const { complete, assessment, lengths } = model;
  if (!complete) return null;
  return (
    <LinkRow href="/now/opening" title={copy.beforeYouPlay} text={openingWords(openingRound(assessment), lengths)} />
  );
}

/** What matters most this evening. */
function Headline({ model }: { model: StandModel }) {
  const { complete, headline, last, moment } = model;
  return (
    <Stack gap="small" justify="center" grow>
      <Text kind="title" level={2}>
        {complete ? headline.title : FETCHING_LOG}
      </Text>
      {complete && headline.figure !== null && <Text kind="figure">{headline.figure}</Text>}
      {complete && headline.unit !== null && (
        <Text kind="small" tone="quiet">
          {headline.unit}
        </Text>
      )}
      {complete && headline.rest !== null && <Text kind="small">{headline.rest}</Text>}
      {complete && last?.endedAt != null && (
        <Text kind="small" tone="quiet">
          {copy.lastPlayedAt({
            beganAt: last.beganAt,
            nowMs: moment.nowMs,
            timeZone: moment.timeZone,
            playedMs: last.endedAt - last.beganAt,
          })}
        </Text>
      )}
    </Stack>
  );
}
