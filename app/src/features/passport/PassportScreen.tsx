import type { Instrument } from '@tembrin/contract';
import type { Href } from 'expo-router';
import { View } from 'react-native';
import { useAssessment, useComplete, type InstrumentAssessment } from '@/state/assessments';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { LinkRow } from '@/ui/LinkRow';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { optionsOf } from '@/copy/lists';
import type { PassportSection } from '@/copy/passport';
import { copy } from '@/copy/screens/kit/passport';
import { ofInstrument } from '../kit/for-instrument';
import { usePassport, type PassportModel } from './use-passport';

/** Rows of a section that stand on the page. */
const SHOWN = 6;

/** Route: the whole life of one instrument. */
export const PassportRoute = ofInstrument(OfOwn);

function OfOwn({ instrument }: { instrument: Instrument }) {
  const assessment = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const back = { pathname: '/kit/[id]', params: { id: instrument.id } } as const;
  if (!complete)
    return (
      <Screen title={copy.title} back={back}>
        <Text tone="quiet">{FETCHING_LOG}</Text>
      </Screen>
    );
  return <PassportPage assessment={assessment} back={back} own />;
}

/** A passport, of an instrument that is here or of the copy of one that was given. */
export function PassportPage({
  assessment,
  back,
  own = false,
  note,
}: {
  assessment: InstrumentAssessment;
  back: Href;
  own?: boolean;
  note?: string;
}) {
  const instrument = assessment.facts;
  const model = usePassport(instrument, assessment);
  const { sections, passport, busy, print, airComing } = model;
  return (
    <Screen
      title={`${copy.title}: ${instrument.name}`}
      back={back}
      foot={own && <Button title={copy.print} busy={busy} disabled={airComing} onPress={print} />}
    >
      {note !== undefined && <Text tone="quiet">{note}</Text>}
      <Row gap="one" align="center">
        <Plate subject={instrument} height={150} withBow />
        <Stack gap="hair" grow>
          <Text kind="figure">{copy.hours(passport.hours)}</Text>
          <Text kind="small" tone="quiet">
            {copy.hoursText}
          </Text>
        </Stack>
      </Row>
      {own && <Pages model={model} />}
      {sections.map((section) => (
        <Section key={section.title} section={section} />
      ))}
      {own && airComing && <Text tone="quiet">{copy.airComing}</Text>}
      {own && <OnPaper model={model} />}
    </Screen>
  );
}

function Pages({ model: { instrument, passport, seen } }: { model: PassportModel }) {
  const params = { id: instrument.id };
  return (
    <View>
      <LinkRow href={{ pathname: '/kit/[id]/identity', params }} title={copy.identity} text={copy.identityText} />
      <LinkRow
        href={{ pathname: '/kit/[id]/state', params }}
        title={copy.state}
        text={copy.stateText(seen, passport.views.length)}
      />
      <LinkRow href={{ pathname: '/kit/[id]/give', params }} title={copy.give} text={copy.giveText} />
    </View>
  );
}

function Section({ section: { title, rows } }: { section: PassportSection }) {
  const shown = rows.slice(0, SHOWN);
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {title}
      </Text>
      <View role="table" aria-label={title}>
        {shown.map(([what, words], at) => (
          <Row key={`${what} ${at}`} role="row" padY="small" gap="one" align="baseline" rule="bottom">
            <Text role="rowheader" kind="small" tone="quiet" grow={2}>
              {what}
            </Text>
            <Text role="cell" kind="small" grow={5}>
              {words}
            </Text>
          </Row>
        ))}
      </View>
      {rows.length > shown.length && (
        <Text kind="small" tone="quiet">
          {copy.more(rows.length - shown.length)}
        </Text>
      )}
    </Stack>
  );
}

function OnPaper({ model }: { model: PassportModel }) {
  const { identity, value, setValue, paper, setPaper, left } = model;
  return (
    <Stack gap="one">
      {identity && <Choice label={copy.value} options={optionsOf(copy.values)} value={value} onChange={setValue} />}
      <Choice label={copy.paper} options={optionsOf(copy.papers)} value={paper} onChange={setPaper} />
      {left > 0 && (
        <Text kind="small" tone="quiet">
          {copy.left(left)}
        </Text>
      )}
    </Stack>
  );
}
