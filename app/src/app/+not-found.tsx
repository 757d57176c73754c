import { router } from 'expo-router';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/not-found';

export default function NotFound() {
  return (
    <Stack grow ground="ground">
      <Screen title="Nothing here" foot={<Button title={copy.toTheStand} onPress={() => router.replace('/')} />}>
        <Text>{copy.noSuchPage}</Text>
      </Screen>
    </Stack>
  );
}
