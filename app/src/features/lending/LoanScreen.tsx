import type { Card, Instrument } from '@tembrin/contract';
import { View } from 'react-native';
import { useComplete, type InstrumentAssessment } from '@/state/assessments';
import { useMay } from '@/state/people';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { DateField, Field, TextArea } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { FETCHING_LOG } from '@/copy/common';
import { sinceDayWords } from '@/copy/dates';
import { findingWords } from '@/copy/findings';
import { optionsOf } from '@/copy/lists';
import { copy, figureMovedWords, PAYERS } from '@/copy/screens/lending/loan';
import { VIEW_DATA } from '@tembrin/core/instruments';
import { missingOf, type LoanDifferences } from '@tembrin/core/lending';
import { ofInstrument } from '../kit/for-instrument';
import { PhotoTile } from '../photo/PhotoTile';
import { useLendForm, useLoans, useLoanState, useOpenLoan, viewsSeen } from './use-lending';

/** Route: lending an instrument out, and how it came back. */
export const LoanRoute = ofInstrument(LoanScreen);

function LoanScreen({ instrument }: { instrument: Instrument }) {
  const { assessment, open, past, today } = useLoans(instrument);
  const complete = useComplete(instrument.id);
  const may = useMay('arrange');
  const [last, ...earlier] = past;
  return (
    // Lent or back, the page begins anew: what stood under the finger is another button now.
    <Screen
      key={open ? 'out' : 'in'}
      title={copy.title(instrument.name)}
      back={{ pathname: '/kit/[id]', params: { id: instrument.id } }}
    >
      {!complete && <Text tone="quiet">{FETCHING_LOG}</Text>}
      {!open && last && complete && <Back card={last} assessment={assessment} />}
      {open ? (
        <Out key={`${open.id} ${open.version}`} card={open} assessment={assessment} today={today} />
      ) : may ? (
        <Lend instrument={instrument} assessment={assessment} today={today} />
      ) : (
        <Text tone="quiet">{`${copy.notLent} ${copy.only}`}</Text>
      )}
      {open && last && complete && <Back card={last} assessment={assessment} />}
      {earlier.length > 0 && (
        <Stack gap="small">
          <Text kind="heading" level={2}>
            {copy.earlier}
          </Text>
          {earlier.map(({ id, facts }) => (
            <Row key={id} gap="one" justify="between">
              <Text kind="small">{facts.to}</Text>
              <Text kind="small" tone="quiet">
                {copy.row(facts)}
              </Text>
            </Row>
          ))}
        </Stack>
      )}
    </Screen>
  );
}

interface PartProps {
  assessment: InstrumentAssessment;
  today: number;
}

/** Looking it over and photographing it, before it goes and when it comes. */
function State({ title, assessment }: { title: string; assessment: InstrumentAssessment }) {
  const { facts, log } = assessment;
  const looked = log.lookOvers.findLast(({ endedAt }) => endedAt !== null)?.endedAt ?? null;
  const { seen, of } = viewsSeen(assessment);
  const when = looked === null ? null : sinceDayWords(looked, log.nowMs, log.timeZone);
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {title}
      </Text>
      <Text kind="small" tone="quiet">
        {copy.stateText(when, seen, of)}
      </Text>
      <View>
        <LinkRow
          href={{ pathname: '/bench/look', params: { id: facts.id } }}
          title={copy.lookOver}
          text={copy.lookOverText}
        />
        <LinkRow
          href={{ pathname: '/kit/[id]/state', params: { id: facts.id } }}
          title={copy.views}
          text={copy.viewsText}
        />
      </View>
    </Stack>
  );
}

function Lend({ instrument, assessment, today }: PartProps & { instrument: Instrument }) {
  const form = useLendForm(instrument, today);
  return (
    <>
      <State title={copy.lendTitle} assessment={assessment} />
      <Stack gap="more">
        <Choice label={copy.to} options={form.people} value={form.personId} onChange={form.setPersonId} />
        {form.outside && <Field label={copy.toName} {...form.line('to')} />}
        <Field label={copy.reached} hint={copy.reachedHint} {...form.line('reached')} />
        <Row gap="one">
          <Stack grow>
            <DateField type="date" label={copy.from} {...form.date('from')} />
          </Stack>
          <Stack grow>
            <DateField type="date" label={copy.until} {...form.date('until')} />
          </Stack>
        </Row>
        <Text kind="small" tone="quiet">
          {copy.untilHint}
        </Text>
        <Choices
          label={copy.along}
          options={form.usual}
          values={form.along}
          onChange={form.setAlong}
          error={form.alongError}
        />
        <Field label={copy.more} hint={copy.moreHint} {...form.line('more')} />
        <Choice label={copy.strings} options={optionsOf(PAYERS)} value={form.strings} onChange={form.setStrings} />
        <TextArea
          label={copy.note}
          rows={2}
          value={form.line('note').value}
          onChange={form.line('note').onChangeText}
          error={form.line('note').error}
        />
      </Stack>
      <Button title={copy.lend} busy={form.busy} onPress={form.lend} />
    </>
  );
}

function Out({ card, assessment, today }: PartProps & { card: Card<'loan'> }) {
  const loan = useOpenLoan(card, today);
  const { print, busy } = useLoanState(card, assessment);
  const may = useMay('arrange');
  const { facts, overdue, titles, errors } = loan;
  return (
    <>
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.lentTo(facts.to)}
        </Text>
        {overdue > 0 && <Banner tone="now" text={copy.overdue(overdue)} />}
        <Text>{copy.since(facts.from, facts.until)}</Text>
        <Text>{copy.alongWords(titles)}</Text>
        <Text tone="quiet">{copy.payerWords[facts.strings]}</Text>
        {facts.reached !== null && <Text tone="quiet">{facts.reached}</Text>}
        {facts.note !== null && <Text tone="quiet">{facts.note}</Text>}
        {may && <Button rank="outline" title={copy.print} busy={busy} onPress={print} start />}
      </Stack>
      {may && (
        <>
          <Stack gap="small">
            <DateField
              type="date"
              label={copy.until}
              hint={copy.untilHint}
              value={loan.until}
              onChange={loan.setUntil}
              error={errors.until}
            />
            {loan.untilChanged && (
              <Button rank="outline" title={copy.staysOut} busy={loan.busy} onPress={loan.saveUntil} start />
            )}
          </Stack>
          <State title={copy.stateBack} assessment={assessment} />
          <Stack gap="more">
            <DateField type="date" label={copy.backOn} value={loan.back} onChange={loan.setBack} error={errors.back} />
            {titles.length > 0 && (
              <Choices
                label={copy.cameAlong}
                options={titles.map((title) => ({ value: title, title }))}
                values={loan.came}
                onChange={loan.setCame}
              />
            )}
            <Button title={copy.takeBack} busy={loan.busy} onPress={loan.takeBack} />
          </Stack>
        </>
      )}
    </>
  );
}

/** How the last loan came back. */
function Back({ card, assessment }: { card: Card<'loan'>; assessment: InstrumentAssessment }) {
  const { facts } = card;
  const { differences, lengths, print, busy } = useLoanState(card, assessment);
  const instrument = assessment.facts;
  const missing = missingOf(facts);
  const { added, gone, same, figures } = differences;
  const lists = [
    [copy.added, added.map((finding) => findingWords(finding, instrument))],
    [copy.figures, figures.map((moved) => figureMovedWords(moved, lengths))],
    [copy.gone, gone.map((finding) => findingWords(finding, instrument))],
    [copy.same, same.map((finding) => findingWords(finding, instrument))],
  ] as const;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.differences}
      </Text>
      <Text kind="small" tone="quiet">
        {copy.differencesOf(facts.to, facts.from, facts.back!)}
      </Text>
      {missing.length > 0 && <Banner tone="now" text={copy.missing(missing)} />}
      {lists.every(([, rows]) => rows.length === 0) && <Text>{copy.none}</Text>}
      {lists.map(([title, rows]) =>
        rows.length === 0 ? null : (
          <Stack key={title} gap={2}>
            <Text kind="smallStrong">{title}</Text>
            {rows.map((words) => (
              <Text key={words} kind="small">
                {words}
              </Text>
            ))}
          </Stack>
        ),
      )}
      <SideBySide instrumentId={instrument.id} differences={differences} />
      <Button rank="outline" title={copy.print} busy={busy} onPress={print} start />
    </Stack>
  );
}

const TILE = { width: 150, height: 112 } as const;

/** Each view as it went out and as it came back. */
function SideBySide({
  instrumentId,
  differences: { out, back },
}: {
  instrumentId: string;
  differences: LoanDifferences;
}) {
  const pairs = out.views.flatMap(({ view, seen }, at) => {
    const after = back?.views[at]?.seen ?? null;
    return seen === null && after === null ? [] : [{ view, before: seen, after }];
  });
  if (pairs.length === 0) return null;
  return (
    <Stack gap="small">
      <Text kind="smallStrong">{copy.sideBySide}</Text>
      {pairs.map(({ view, before, after }) => (
        <Stack key={view} gap={2}>
          <Text kind="small" tone="quiet">
            {VIEW_DATA[view].title}
          </Text>
          <Row gap="small">
            {[
              [copy.out, before],
              [copy.back, after],
            ].map(([when, seen]) =>
              seen && typeof seen === 'object' ? (
                <PhotoTile
                  key={String(when)}
                  instrumentId={instrumentId}
                  photo={seen.photo}
                  label={`${VIEW_DATA[view].title}, ${String(when).toLowerCase()}`}
                  {...TILE}
                />
              ) : (
                <Stack key={String(when)} {...TILE} framed round align="center" justify="center">
                  <Text kind="small" tone="quiet">{`${String(when)}: ${copy.noPhoto}`}</Text>
                </Stack>
              ),
            )}
          </Row>
        </Stack>
      ))}
    </Stack>
  );
}
