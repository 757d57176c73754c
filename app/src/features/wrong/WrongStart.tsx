import type { Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { View } from 'react-native';
import { useInstrumentOnStand } from '@/state/stand';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { LinkRow } from '@/ui/LinkRow';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useWide } from '@/ui/theme';
import { Grid, Row, Split, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { dayWords } from '@/copy/dates';
import { optionsOf } from '@/copy/lists';
import { causeTitle, symptomsWords } from '@/copy/troubles';
import { copy } from '@/copy/screens/wrong/start';
import type { Trouble } from '@tembrin/core/log';
import { CAUSES, SYMPTOMS, type CauseId } from '@tembrin/core/triage';
import { OnStand } from '../now/OnStand';
import { useWrongStart, type WrongStartModel } from './use-wrong-start';

/** Route: something is wrong with the instrument on the stand: what it is like. */
export function WrongStart() {
  const instrument = useInstrumentOnStand();
  return instrument ? <Start key={instrument.id} instrument={instrument} /> : <Redirect href="/kit/add" />;
}

function Start({ instrument }: { instrument: Instrument }) {
  const model = useWrongStart(instrument);
  const { complete, chosen, begin, by, setBy } = model;
  const wide = useWide();
  return (
    <Screen
      title={copy.title}
      back="/bench"
      broad
      foot={
        <Button
          title={complete ? (chosen.length > 0 ? copy.begin : copy.chooseFirst) : FETCHING_LOG}
          disabled={!complete || chosen.length === 0}
          onPress={() => void begin()}
          hotkey="Enter"
        />
      }
    >
      <OnStand instrument={instrument} />
      <Troubles troubles={model.open} title={copy.open} moment={model.moment} />
      <Split gap={wide ? 'wide' : 'more'}>
        <Row gap="one" align="start">
          <Plate
            subject={instrument}
            height={wide ? 420 : 236}
            lit={model.lit}
            zones={model.zones}
            onZone={model.setZone}
            withBow
          />
          <Stack grow shrink gap="half">
            <HowItShows model={model} />
            <Text kind="small" tone="quiet">
              {copy.tapPlace}
            </Text>
          </Stack>
        </Row>
        <Stack gap="more" grow={wide}>
          <Symptoms model={model} />
          <Choice
            label={copy.whoLooks}
            hint={copy.seekerHints[by]}
            options={optionsOf(copy.seekers)}
            value={by}
            onChange={setBy}
          />
        </Stack>
      </Split>
      <Troubles troubles={model.over} title={copy.before} moment={model.moment} />
    </Screen>
  );
}

/** By hearing, by seeing, by feel, from the case; or at a place that was tapped. */
function HowItShows({ model }: { model: WrongStartModel }) {
  const { noticed, setNoticed, ways, zone, setZone } = model;
  if (zone !== null)
    return (
      <Stack gap="hair">
        <Text kind="smallStrong">{copy.here}</Text>
        <Button rank="plain" title={copy.everywhere} onPress={() => setZone(null)} start flush />
      </Stack>
    );
  return (
    <Choice
      label={copy.how}
      options={optionsOf(copy.noticed).filter(({ value }) => ways.includes(value))}
      value={noticed}
      onChange={setNoticed}
    />
  );
}

/** What it is like. */
function Symptoms({ model: { shown, chosen, toggle, full } }: { model: WrongStartModel }) {
  const elsewhere = chosen.filter((id) => !shown.includes(id));
  return (
    <Stack role="group" aria-label={copy.where} gap="small">
      <Text kind="smallStrong">{full ? copy.most : copy.where}</Text>
      <Grid gap="small">
        {[...elsewhere, ...shown].map((id) => (
          <Tick
            key={id}
            kind="checkbox"
            title={SYMPTOMS[id].title}
            on={chosen.includes(id)}
            onPress={() => toggle(id)}
          />
        ))}
      </Grid>
    </Stack>
  );
}

/** Troubles on record, each to be opened. */
function Troubles({
  troubles,
  title,
  moment: { nowMs, timeZone },
}: {
  troubles: readonly Trouble[];
  title: string;
  moment: WrongStartModel['moment'];
}) {
  if (troubles.length === 0) return null;
  const words = ({ at, settled }: Trouble) => {
    const when = dayWords(settled?.at ?? at, nowMs, timeZone);
    if (!settled) return copy.since(when);
    const { cause } = settled;
    return cause !== null && cause in CAUSES ? copy.was(causeTitle(cause as CauseId), when) : copy.nobodyKnew(when);
  };
  return (
    <View>
      <Text kind="heading" level={2}>
        {title}
      </Text>
      {troubles.map((trouble) => (
        <LinkRow
          key={trouble.eventId}
          href={{ pathname: '/bench/wrong/[trouble]', params: { trouble: trouble.eventId } }}
          title={symptomsWords(trouble.symptoms)}
          text={words(trouble)}
        />
      ))}
    </View>
  );
}
