import { router } from 'expo-router';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { Stack } from '@/ui/layout';

export default function NotFound() {
  return (
    <Stack grow ground="ground">
      <Screen title="Nothing here" foot={<Button title="To the stand" onPress={() => router.replace('/')} />}>
        <Text>There is no such page. It may have been about an instrument that was removed.</Text>
      </Screen>
    </Stack>
  );
}
