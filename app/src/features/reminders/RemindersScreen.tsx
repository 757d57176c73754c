import type { Reminders, ToldNotice } from '@tembrin/contract';
import type { Href } from 'expo-router';
import { useState } from 'react';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Choices } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { DateField } from '@/ui/Field';
import { LinkRow } from '@/ui/LinkRow';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { useHousehold } from '@/state/household';
import { copy, KIND_OPTIONS, STATES, WEEKDAYS } from '@/copy/screens/reminders/reminders';
import { WouldBe } from '../lending/routes';
import { LATER, useRemindersPage, useSettingsForm, type RemindersPage, type SettingsForm } from './use-reminders';

/** Instruments up to which each has a tick of its own; of more only those are named of which nothing is told. */
const TICKED = 12;

/** Route: what one is reminded of, when and how, and what was told lately. */
export function RemindersScreen() {
  const page = useRemindersPage();
  const { demo, reminders } = page;
  if (demo || reminders === null)
    return (
      <Screen title={copy.reminders} back="/kit/household">
        {demo ? <WouldBe /> : <Text tone="quiet">{copy.unknown}</Text>}
      </Screen>
    );
  return <Known page={page} reminders={reminders} />;
}

interface KnownProps {
  page: RemindersPage;
  reminders: Reminders;
}

function Known({ page, reminders }: KnownProps) {
  const form = useSettingsForm(reminders);
  return (
    <Screen
      title={copy.reminders}
      back="/kit/household"
      foot={form.changed ? <Button title={copy.save} busy={form.busy} onPress={form.save} /> : undefined}
    >
      <Told page={page} told={reminders.told} />
      <How page={page} reminders={reminders} form={form} />
      <When form={form} />
      <OfWhat form={form} />
    </Screen>
  );
}

function Told({ page, told }: { page: RemindersPage; told: readonly ToldNotice[] }) {
  const open = told.filter(({ state }) => state === 'open');
  const rest = told.filter(({ state }) => state !== 'open').slice(0, TICKED);
  return (
    <>
      {open.length === 0 ? (
        <Empty title={copy.nothing} text={copy.nothingText} />
      ) : (
        <Stack gap="small">
          <Text kind="heading" level={2}>
            {copy.told}
          </Text>
          {open.map((each) => (
            <OpenNotice key={each.id} told={each} page={page} />
          ))}
        </Stack>
      )}
      {rest.length > 0 && (
        <Stack gap="small">
          <Text kind="heading" level={2}>
            {copy.before}
          </Text>
          {rest.map(({ id, title, at, state, again }) => (
            <Row key={id} gap="one" align="baseline" justify="between">
              <Text kind="small" shrink>
                {title}
              </Text>
              <Text kind="small" tone="quiet">
                {state === 'put-off'
                  ? copy.putOffTo(page.lately(again!))
                  : `${STATES[state as 'over']} · ${page.lately(at)}`}
              </Text>
            </Row>
          ))}
        </Stack>
      )}
    </>
  );
}

function OpenNotice({ told, page }: { told: ToldNotice; page: RemindersPage }) {
  const [asking, setAsking] = useState(false);
  const { title, why, todo, at, step, path, kind, instrumentId } = told;
  const no = (what: 'off-kind' | 'off-instrument') => () => {
    setAsking(false);
    page.noMore(told, what);
  };
  return (
    <Stack>
      <LinkRow
        href={path as Href}
        label={`${title} ${why} ${todo} ${page.lately(at)}`}
        title={title}
        text={`${why} ${todo}`}
      >
        <Text kind="tiny" tone="quiet">
          {page.lately(at)}
        </Text>
      </LinkRow>
      <Row>
        {step !== null && (
          <Button rank="plain" title={copy.done} label={copy.doneLabel(title)} onPress={() => page.done(told)} flush />
        )}
        <Button
          rank="plain"
          title={copy.tomorrow}
          label={copy.tomorrowLabel(title)}
          onPress={() => page.later(told, LATER.tomorrow)}
          flush={step === null}
        />
        <Button
          rank="plain"
          title={copy.week}
          label={copy.weekLabel(title)}
          onPress={() => page.later(told, LATER.week)}
        />
        <Button rank="plain" title={copy.noMore} label={copy.noMoreLabel(title)} onPress={() => setAsking(true)} />
      </Row>
      {asking && (
        <Sheet title={copy.noMoreAsk} onClose={() => setAsking(false)}>
          <Stack gap="small">
            <Text kind="small" tone="quiet">
              {copy.noMoreText(kind)}
            </Text>
            <Button rank="outline" title={copy.notThisKind} onPress={no('off-kind')} />
            <Button
              rank="outline"
              title={copy.notThisInstrument(page.nameOf(instrumentId))}
              onPress={no('off-instrument')}
            />
            <Button rank="plain" title={copy.never} onPress={() => setAsking(false)} />
          </Stack>
        </Sheet>
      )}
    </Stack>
  );
}

const LETTERS = [
  { value: true, title: copy.mailYes },
  { value: false, title: copy.mailNo },
];

function How({ page, reminders, form }: KnownProps & { form: SettingsForm }) {
  const { mailTo, mailDeadSince, devices } = reminders;
  return (
    <Stack gap="more">
      <Text kind="heading" level={2}>
        {copy.how}
      </Text>
      {mailTo === null ? (
        <Text tone="quiet">{copy.mailOff}</Text>
      ) : (
        <Choice
          label={copy.mail}
          hint={copy.mailOn(mailTo)}
          options={LETTERS}
          value={form.mail}
          onChange={form.setMail}
        />
      )}
      {mailDeadSince !== null && <Banner tone="now" text={copy.mailDead} />}
      <Stack gap="small">
        <Text kind="smallStrong">{copy.devices}</Text>
        <Text kind="small" tone="quiet">
          {copy.devicesText}
        </Text>
        {devices.map(({ id, name, addedAt, toldAt, deadSince }) => (
          <Row key={id} gap="one" align="center" padY="small" rule="bottom">
            <Stack grow gap={2}>
              <Text kind="strong">{name}</Text>
              <Text kind="small" tone={deadSince === null ? 'quiet' : 'now'}>
                {deadSince === null
                  ? copy.deviceRow(page.onDay(addedAt), toldAt && page.lately(toldAt))
                  : copy.deviceDead}
              </Text>
            </Stack>
            {deadSince === null && (
              <Button rank="plain" title={copy.tryIt} label={copy.tryLabel(name)} onPress={() => page.tryIt(id)} />
            )}
            <Button rank="plain" title={copy.remove} label={copy.removeLabel(name)} onPress={() => page.removeIt(id)} />
          </Row>
        ))}
        <Button rank="outline" title={copy.addThis} busy={page.busy} onPress={page.addThis} start />
      </Stack>
    </Stack>
  );
}

function When({ form }: { form: SettingsForm }) {
  return (
    <Stack gap="more">
      <Stack gap={2}>
        <Text kind="heading" level={2}>
          {copy.when}
        </Text>
        <Text kind="small" tone="quiet">
          {copy.clock(form.settings.timeZone)}
        </Text>
        {form.otherZone !== null && (
          <Button rank="plain" title={copy.useThisZone(form.otherZone)} onPress={form.useDeviceZone} start flush />
        )}
      </Stack>
      <Choices label={copy.digestDays} options={WEEKDAYS} values={form.days} onChange={form.setDays} />
      <Text kind="small" tone="quiet">
        {copy.digestHint}
      </Text>
      {form.days.length > 0 && (
        <Row>
          <Stack width={160}>
            <DateField type="time" label={copy.digestAt} value={form.digestAt} onChange={form.setDigestAt} />
          </Stack>
        </Row>
      )}
      <Stack gap="small">
        <Row gap="one">
          <Stack width={160}>
            <DateField type="time" label={copy.quietFrom} value={form.quietFrom} onChange={form.setQuietFrom} />
          </Stack>
          <Stack width={160}>
            <DateField type="time" label={copy.quietTo} value={form.quietTo} onChange={form.setQuietTo} />
          </Stack>
        </Row>
        <Text kind="small" tone="quiet">
          {copy.quietHint}
        </Text>
      </Stack>
    </Stack>
  );
}

function OfWhat({ form }: { form: SettingsForm }) {
  const instruments = useHousehold((state) => state.household!.instruments);
  const { off, muted } = form.settings;
  const kinds = KIND_OPTIONS.map(({ value }) => value);
  const few = instruments.length <= TICKED;
  return (
    <Stack gap="more">
      <Text kind="heading" level={2}>
        {copy.ofWhat}
      </Text>
      <Choices
        label={copy.kinds}
        options={KIND_OPTIONS}
        values={kinds.filter((kind) => !off.includes(kind))}
        onChange={(on) => form.setOff(kinds.filter((kind) => !on.includes(kind)))}
      />
      {few && instruments.length > 1 && (
        <Choices
          label={copy.instruments}
          options={instruments.map(({ id, name }) => ({ value: id, title: name }))}
          values={instruments.flatMap(({ id }) => (muted.includes(id) ? [] : [id]))}
          onChange={(on) => form.setMuted(instruments.flatMap(({ id }) => (on.includes(id) ? [] : [id])))}
        />
      )}
      {(!few || instruments.length === 1) && muted.length > 0 && (
        <Stack gap="small">
          <Text kind="smallStrong">{copy.muted}</Text>
          {instruments.flatMap(({ id, name }) =>
            muted.includes(id)
              ? [
                  <Row key={id} gap="one" align="center" justify="between">
                    <Text>{name}</Text>
                    <Button
                      rank="plain"
                      title={copy.tellAgain}
                      label={copy.tellAgainLabel(name)}
                      onPress={() => form.setMuted(muted.filter((each) => each !== id))}
                    />
                  </Row>,
                ]
              : [],
          )}
        </Stack>
      )}
    </Stack>
  );
}
