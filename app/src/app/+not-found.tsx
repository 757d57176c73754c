import { router } from 'expo-router';
import { View } from 'react-native';
import { Button } from '@/ui/Button';
import { Empty } from '@/ui/Empty';
import { Screen } from '@/ui/Screen';

export default function NotFound() {
  return (
    <View style={{ flex: 1 }}>
      <Screen title="Nothing here" bare>
        <Empty
          title="Nothing here"
          text="There is no such page. It may have been about an instrument that was removed."
        >
          <Button title="To the stand" onPress={() => router.replace('/')} />
        </Empty>
      </Screen>
    </View>
  );
}
