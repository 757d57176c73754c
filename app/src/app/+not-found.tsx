import { router } from 'expo-router';
import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Screen } from '@/ui/Screen';
import { usePalette } from '@/ui/theme';
import { Words } from '@/ui/Words';

export default function NotFound() {
  const { ground } = usePalette();
  return (
    <View style={{ flex: 1, backgroundColor: ground }}>
      <Screen title="Nothing here" foot={<Button title="To the stand" onPress={() => router.replace('/')} />}>
        <Words>There is no such page. It may have been about an instrument that was removed.</Words>
      </Screen>
    </View>
  );
}
