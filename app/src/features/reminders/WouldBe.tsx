import type { Href } from 'expo-router';
import { View } from 'react-native';
import { LinkRow } from '@/ui/LinkRow';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/reminders/would-be';
import { useConcernWords } from './use-concerns';

/** What would be told of a household in which nobody is. */
export function WouldBe() {
  const words = useConcernWords();
  return (
    <>
      <Text>{copy.demo}</Text>
      <Stack gap="small">
        <Text kind="heading" level={2}>
          {copy.wouldBe}
        </Text>
        {words.length === 0 && <Text tone="quiet">{copy.nothing}</Text>}
        <View>
          {words.map(({ title, why, todo, path }) => (
            <LinkRow key={`${title} ${why}`} href={path as Href} title={title} text={`${why} ${todo}`} />
          ))}
        </View>
      </Stack>
    </>
  );
}
