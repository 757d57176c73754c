import type { Card } from '@tembrin/contract';
import Phone from 'lucide-react-native/icons/phone';
import { Linking } from 'react-native';
import { useCards } from '@/state/cards';
import { LinkRow } from '@/ui/LinkRow';
import { Text } from '@/ui/Text';
import { Press, Stack } from '@/ui/layout';
import { usePalette } from '@/ui/theme';
import { copy } from '@/copy/screens/call-contact';
import { dialled, type ContactRole } from '@tembrin/core/visits';

/** Somebody who is called: their number, one tap away. */
export function CallContact({ contact }: { contact: Card<'contact'> }) {
  const { title, phones } = contact.facts;
  const { accent } = usePalette();
  const [number] = phones;
  if (number === undefined) return null;
  return (
    <Press
      role="link"
      aria-label={copy.call(title, number)}
      onPress={() => void Linking.openURL(dialled(number))}
      row
      gap="half"
      align="center"
      touch
      rule="bottom"
    >
      <Phone size={22} color={accent} aria-hidden />
      <Stack grow>
        <Text kind="strong">{title}</Text>
        <Text kind="table" tone="accent">
          {number}
        </Text>
      </Stack>
    </Press>
  );
}

/** Whom to call where something is somebody else’s to do; a way to write them down where nobody is known. */
export function CallFor({ role }: { role: ContactRole }) {
  const contacts = useCards('contact').filter(({ facts }) => facts.role === role && facts.phones.length > 0);
  if (contacts.length === 0) return <LinkRow href="/year/contacts" title={copy.add(role)} />;
  return contacts.map((contact) => <CallContact key={contact.id} contact={contact} />);
}
