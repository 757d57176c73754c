import type { Card } from '@tembrin/contract';
import { useState } from 'react';
import { Banner } from '@/ui/Banner';
import { Button } from '@/ui/Button';
import { Choice, Tick } from '@/ui/Choice';
import { Empty } from '@/ui/Empty';
import { Field, TextArea } from '@/ui/Field';
import { Screen } from '@/ui/Screen';
import { Sheet } from '@/ui/Sheet';
import { Text } from '@/ui/Text';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/visits/contacts';
import { CONTACT_ROLES } from '@tembrin/core/visits';
import { CallContact } from '../call-route';
import { useContactFile, useContactSheet, type ContactFile } from './use-contacts';

/** Luthiers, teachers and dealers whom the household calls. */
export function Contacts() {
  const file = useContactFile();
  const { cards } = file;
  const [open, setOpen] = useState<string | null>(null);
  return (
    <Screen title={copy.title} back="/year" foot={<Button title={copy.add} onPress={() => setOpen('new')} />}>
      {cards.length === 0 && <Empty title={copy.none} text={copy.noneText} />}
      {CONTACT_ROLES.map((role) => (
        <OfRole
          key={role}
          title={copy.roles[role]}
          cards={cards.filter(({ facts }) => facts.role === role)}
          onOpen={setOpen}
        />
      ))}
      <FilePart file={file} />
      {open !== null && (
        <ContactSheet key={open} card={cards.find(({ id }) => id === open) ?? null} onClose={() => setOpen(null)} />
      )}
    </Screen>
  );
}

function OfRole({
  title,
  cards,
  onOpen,
}: {
  title: string;
  cards: readonly Card<'contact'>[];
  onOpen: (id: string) => void;
}) {
  if (cards.length === 0) return null;
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {title}
      </Text>
      {cards.map((card) => (
        <Stack key={card.id}>
          {card.facts.phones.length > 0 ? (
            <CallContact contact={card} />
          ) : (
            <Text kind="strong">{card.facts.title}</Text>
          )}
          <Row gap="one" align="center" justify="between">
            <Text kind="small" tone="quiet" shrink>
              {[...card.facts.phones.slice(1), ...card.facts.emails, card.facts.address, card.facts.note]
                .filter((part) => part !== '')
                .join(' · ')}
            </Text>
            <Button
              rank="plain"
              title={copy.change}
              label={copy.changeOf(card.facts.title)}
              onPress={() => onOpen(card.id)}
            />
          </Row>
        </Stack>
      ))}
    </Stack>
  );
}

/** Out of a file of contacts, and into one. */
function FilePart({ file }: { file: ContactFile }) {
  const { input, busy, found, problem, cards, save } = file;
  return (
    <Stack gap="small">
      {problem !== null && <Banner tone="now" text={problem} />}
      {input.element}
      <Button rank="outline" title={copy.bringIn} busy={busy} onPress={input.open} />
      <Text kind="small" tone="quiet">
        {copy.bringInText}
      </Text>
      {found && <Found file={file} found={found} />}
      {cards.length > 0 && <Button rank="plain" title={copy.takeOut} onPress={save} start flush />}
    </Stack>
  );
}

function Found({ file, found }: { file: ContactFile; found: NonNullable<ContactFile['found']> }) {
  const { chosen, toggle, take, role, setRole, busy } = file;
  const { contacts, unreadable, cut } = found;
  return (
    <Stack gap="small">
      <Text kind="heading" level={2}>
        {copy.found(contacts.length)}
      </Text>
      {contacts.map(({ title, phones }, at) => (
        <Tick
          key={at}
          kind="checkbox"
          title={[title, phones[0]].filter(Boolean).join(', ')}
          on={chosen.includes(at)}
          onPress={() => toggle(at)}
        />
      ))}
      {cut && <Text kind="small">{copy.cut(contacts.length)}</Text>}
      {unreadable.length > 0 && (
        <Text kind="small" tone="soon">
          {[copy.unreadable(unreadable.length), ...unreadable.map(({ title, why }) => `${title}: ${why}`)].join('\n')}
        </Text>
      )}
      {chosen.length > 0 && (
        <>
          <Choice
            label={copy.as}
            options={CONTACT_ROLES.map((value) => ({ value, title: copy.roles[value] }))}
            value={role}
            onChange={setRole}
          />
          <Button title={copy.take(chosen.length)} busy={busy} onPress={take} />
        </>
      )}
    </Stack>
  );
}

function ContactSheet({ card, onClose }: { card: Card<'contact'> | null; onClose: () => void }) {
  const { draft, errors, busy, change, save, remove } = useContactSheet(card, onClose);
  return (
    <Sheet
      title={card ? copy.changeOf(card.facts.title) : copy.add}
      onClose={onClose}
      foot={<Button title={card ? copy.change : copy.add} busy={busy} onPress={save} />}
    >
      <Field label={copy.name} value={draft.title} onChangeText={(title) => change({ title })} error={errors.title} />
      <Choice
        label={copy.role}
        options={CONTACT_ROLES.map((value) => ({ value, title: copy.roles[value] }))}
        value={draft.role}
        onChange={(role) => change({ role })}
      />
      <TextArea
        label={copy.phones}
        hint={copy.phonesHint}
        rows={2}
        value={draft.phones}
        onChange={(phones) => change({ phones })}
        error={errors.phones}
      />
      <TextArea
        label={copy.emails}
        rows={1}
        value={draft.emails}
        onChange={(emails) => change({ emails })}
        error={errors.emails}
      />
      <TextArea
        label={copy.address}
        rows={2}
        value={draft.address}
        onChange={(address) => change({ address })}
        error={errors.address}
      />
      <TextArea
        label={copy.note}
        hint={copy.noteHint}
        rows={2}
        value={draft.note}
        onChange={(note) => change({ note })}
        error={errors.note}
      />
      {card && <Button rank="plain" title={copy.remove} onPress={remove} start />}
    </Sheet>
  );
}
