import type { Card } from '@tembrin/contract';
import { Redirect, useLocalSearchParams } from 'expo-router';
import { useState } from 'react';
import { View } from 'react-native';
import { useCards, useCardStore } from '@/state/cards';
import { Button } from '@/ui/Button';
import { Choice } from '@/ui/Choice';
import { DateField } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { VisitWay } from '@/ui/VisitWay';
import { Grid, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/visits/visit';
import { VISIT_STATES } from '@tembrin/core/visits';
import { CallContact } from '../call-route';
import { AnswerCard } from './AnswerCard';
import { useVisit, type VisitModel } from './use-visit';

/** Route: one visit to the workshop. */
export function VisitRoute() {
  const { visit: id } = useLocalSearchParams<{ visit: string }>();
  const visit = useCards('visit').find((card) => card.id === id);
  const known = useCardStore((state) => state.cards !== null);
  if (visit) return <VisitScreen key={visit.id} visit={visit} />;
  return known ? <Redirect href="/year/visits" /> : null;
}

function VisitScreen({ visit }: { visit: Card<'visit'> }) {
  const model = useVisit(visit);
  const { state, at, sheets, over, answers } = model;
  const open = answers.filter(({ settledAt }) => settledAt === null);
  return (
    <Screen
      title={copy.title(sheets.map(({ instrument }) => instrument.name))}
      back="/year/visits"
      foot={over ? undefined : <NextStep model={model} quiet={open.length > 0} />}
    >
      <VisitWay steps={VISIT_STATES.map((each) => copy.states[each])} at={at} label={copy.wayLabel(state)} />
      <Text tone="quiet">{copy.stateText(state)}</Text>
      {open.length > 0 && <Answers model={model} answers={open} />}
      {model.contact && <CallContact contact={model.contact} />}
      <Sheets model={model} />
      {!over && <LinkPart model={model} />}
      {!over && <Planning model={model} />}
      {answers.length > open.length && (
        <Answers model={model} answers={answers.filter(({ settledAt }) => settledAt !== null)} />
      )}
    </Screen>
  );
}

/** What is done next: sending it, bringing it, fetching it. @param quiet something else comes first */
function NextStep({ model, quiet }: { model: VisitModel; quiet: boolean }) {
  const { state, link, busy, away, bring, fetchBack } = model;
  const [expected, setExpected] = useState('');
  const [bringing, setBringing] = useState(false);
  if (state === 'brought')
    return (
      <>
        <Button rank={quiet ? 'outline' : 'solid'} title={copy.fetch} onPress={() => fetchBack(away)} />
        {away.length > 1 &&
          away.map((sheet) => (
            <Button
              key={sheet.instrument.id}
              rank="plain"
              title={copy.fetchOne(sheet.instrument.name)}
              onPress={() => fetchBack([sheet])}
            />
          ))}
      </>
    );
  if (bringing)
    return (
      <Stack gap="small">
        <DateField type="date" label={copy.bringText} value={expected} onChange={setExpected} />
        <Button title={copy.bring} onPress={() => bring(expected === '' ? null : expected)} />
      </Stack>
    );
  return (
    <>
      {state === 'planned' && <Button title={copy.send} busy={busy} onPress={link.make} />}
      <Button
        rank={state === 'planned' || quiet ? 'outline' : 'solid'}
        title={copy.bring}
        onPress={() => setBringing(true)}
      />
    </>
  );
}

function Answers({ model, answers }: { model: VisitModel; answers: VisitModel['answers'] }) {
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.answers}
      </Text>
      {answers.map((answer) => (
        <AnswerCard key={answer.id} answer={answer} model={model} />
      ))}
    </Stack>
  );
}

function Sheets({ model }: { model: VisitModel }) {
  const { sheets, takeOut, over, others, add } = model;
  const [adding, setAdding] = useState(false);
  return (
    <View>
      <Text kind="heading" level={2}>
        {copy.sheets}
      </Text>
      {sheets.map(({ brief, instrument }) => (
        <Stack key={brief.id}>
          <LinkRow
            href={{ pathname: '/kit/[id]/brief', params: { id: instrument.id } }}
            title={`${instrument.name}: ${brief.facts.title}`}
            text={copy.toBeDone(brief.facts.asked?.length ?? 0)}
          />
          {takeOut && !over && (
            <Button rank="plain" title={copy.takeOut(instrument.name)} onPress={() => takeOut(brief.id)} start flush />
          )}
        </Stack>
      ))}
      {!over && others.length > 0 && !adding && (
        <Button rank="plain" title={copy.more} onPress={() => setAdding(true)} start flush />
      )}
      {adding && (
        <Choice
          label={copy.more}
          options={others.map(({ id, name }) => ({ value: id, title: name }))}
          value={null}
          onChange={(id) => {
            setAdding(false);
            add(id);
          }}
        />
      )}
    </View>
  );
}

/** The link under which it is sent. */
function LinkPart({ model }: { model: VisitModel }) {
  const { link, busy, known, state, onDay } = model;
  const { share, url } = link;
  if (!known) return <Text tone="quiet">{copy.offline}</Text>;
  if (!share || url === null)
    return state === 'planned' ? null : (
      <Button rank="outline" title={copy.send} busy={busy} onPress={link.make} start />
    );
  const opened = share.openedAt === null ? null : onDay(Date.parse(share.openedAt));
  return (
    <Stack gap="small">
      <Text kind="small" breaks>
        {url}
      </Text>
      <Text kind="small" tone="quiet">
        {copy.linkText(onDay(Date.parse(share.expiresAt)), opened)}
      </Text>
      <Grid gap="small">
        <Button rank="outline" title={copy.copyLink} onPress={link.copyLink} />
        {link.canSend && <Button rank="outline" title={copy.shareLink} onPress={link.sendLink} />}
        <Button rank="plain" title={copy.sendAnew} busy={busy} onPress={link.make} />
        <Button rank="plain" title={copy.revoke} onPress={link.revoke} />
      </Grid>
    </Stack>
  );
}

/** To whom, when, and what may happen besides. */
function Planning({ model }: { model: VisitModel }) {
  const { visit, contacts, choose, setDate, told, callOff, state } = model;
  const workshops = contacts.filter(({ facts }) => facts.role === 'workshop' || facts.role === 'dealer');
  return (
    <Stack gap="one">
      {workshops.length > 0 ? (
        <Choice
          label={copy.contact}
          options={[
            ...workshops.map((card) => ({ value: card.id, title: card.facts.title })),
            { value: '', title: copy.noContact },
          ]}
          value={visit.facts.contactId ?? ''}
          onChange={(id) => choose(id === '' ? null : id)}
        />
      ) : (
        <LinkRow href="/year/contacts" title={copy.addContact} />
      )}
      <DateField
        type="date"
        label={copy.day}
        value={visit.facts.date ?? ''}
        onChange={(text) => setDate(/^\d{4}-\d\d-\d\d$/.test(text) ? text : null)}
      />
      <Grid gap="small">
        {state === 'planned' && <Button rank="plain" title={copy.told} onPress={told} flush />}
        {state !== 'brought' && <Button rank="plain" title={copy.callOff} onPress={callOff} flush />}
      </Grid>
    </Stack>
  );
}
