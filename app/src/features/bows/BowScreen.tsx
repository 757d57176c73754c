import type { Instrument } from '@tembrin/contract';
import { Redirect, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { useComplete } from '@/state/assessments';
import { takeBow, useBows, type NamedBow } from '@/state/bows';
import { useHousehold } from '@/state/household';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { FETCHING_LOG } from '@/copy/common';
import { copy } from '@/copy/screens/bows';
import { DueList } from '../DueList';
import { FigureEntry } from '../kit/FigureEntry';
import { ofInstrument } from '../kit/for-instrument';
import { MeasureSheet } from '../MeasureSheet';
import { BowSheet } from './BowSheet';
import { figuresOf, type Figure } from '@tembrin/core/instruments';
import { hoursInAll } from '@tembrin/core/log';
import { byUrgency } from '@tembrin/core/parts';

/** Route: one bow of an instrument. */
function BowOfInstrument({ instrument }: { instrument: Instrument }) {
  const { bow: bowId } = useLocalSearchParams<{ bow: string }>();
  const complete = useComplete(instrument.id);
  const bows = useBows(instrument);
  const bow = bows.find(({ bow: { id } }) => id === bowId);
  const back = { pathname: '/kit/[id]/bows', params: { id: instrument.id } } as const;
  if (!complete)
    return (
      <Screen title={copy.bowsOf(instrument.name)} back={back}>
        <Text tone="quiet">{FETCHING_LOG}</Text>
      </Screen>
    );
  if (!bow) return <Redirect href={back} />;
  return <BowScreen key={bow.bow.id} instrument={instrument} bow={bow} held={bow === bows[0]} />;
}

/** One bow: its threads, its turns, its hours; taking it, and changing what is said of it. */
function BowScreen({ instrument, bow, held }: { instrument: Instrument; bow: NamedBow; held: boolean }) {
  const { instruments } = useHousehold((state) => state.household)!;
  const [open, setOpen] = useState<Figure | 'facts' | null>(null);
  const { log, name, threads, pace } = bow;
  const { id } = bow.bow;
  const names = instruments.flatMap((each) => (bow.bow.instrumentIds.includes(each.id) ? [each.name] : []));
  const close = () => setOpen(null);
  return (
    <Screen
      title={name}
      back={{ pathname: '/kit/[id]/bows', params: { id: instrument.id } }}
      aside={<Button rank="plain" title="Change" label={copy.changeIt} onPress={() => setOpen('facts')} />}
      foot={!held && <Button title={copy.takeItTonight} onPress={() => takeBow(instrument.id, bow)} />}
    >
      <Text>
        {log.sessions.length === 0
          ? copy.neverPlayed(names)
          : copy.playedOn(names, hoursInAll(log), log.sessions.length)}
      </Text>
      {held && <Text kind="strong">{`${copy.inHand}.`}</Text>}
      <DueList
        pace={pace}
        threads={byUrgency(threads)}
        instrument={instrument}
        moment={{ nowMs: log.nowMs, timeZone: log.timeZone }}
        hrefOf={(part) => ({ pathname: '/kit/[id]/[part]', params: { id: instrument.id, part, bow: id } })}
      />
      {figuresOf(instrument)
        .filter((figure) => figure.startsWith('bow-'))
        .map((figure) => (
          <FigureEntry key={figure} figure={figure} log={log} onMeasure={() => setOpen(figure)} />
        ))}
      {open === 'facts' ? (
        <BowSheet instrument={instrument} bow={bow} nowMs={log.nowMs} onClose={close} />
      ) : (
        open && <MeasureSheet instrument={instrument} figure={open} bowId={id} onClose={close} />
      )}
    </Screen>
  );
}

export const BowRoute = ofInstrument(BowOfInstrument);
