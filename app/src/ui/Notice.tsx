import { useEffect } from 'react';
import { Pressable, View, type DimensionValue } from 'react-native';
import { dismissNotice, useNotice } from '@/state/notice';
import { useKeys } from './keys';
import { GAP, RADIUS, TOUCH, usePalette } from './theme';
import { Text } from './Text';
import { UNDO_LAST } from '@/copy/common';

const SHOWN_MS = 9_000;

/** What was just done, with its Undo. It goes by itself, and holds nothing up. */
export function NoticeLine({ bottom }: { bottom: DimensionValue }) {
  const { text, surface, ground } = usePalette();
  const notice = useNotice((state) => state.notice);
  useEffect(() => {
    if (!notice) return;
    const timer = setTimeout(dismissNotice, SHOWN_MS);
    return () => clearTimeout(timer);
  }, [notice]);
  const undo = () => {
    dismissNotice();
    void notice?.undo?.();
  };
  useKeys(notice?.undo ? { z: { label: UNDO_LAST, run: undo } } : {});
  if (!notice) return null;
  return (
    <View
      role={notice.problem ? 'alert' : 'status'}
      style={{
        position: 'absolute',
        bottom,
        left: GAP.one,
        right: GAP.one,
        maxWidth: 520,
        marginHorizontal: 'auto',
        flexDirection: 'row',
        alignItems: 'center',
        backgroundColor: text,
        borderRadius: RADIUS,
        paddingLeft: GAP.one,
        minHeight: TOUCH,
      }}
    >
      <Text kind="small" style={{ flex: 1, color: ground, paddingVertical: GAP.half }}>
        {notice.text}
      </Text>
      {notice.undo && (
        <Pressable
          role="button"
          onPress={undo}
          style={{ minHeight: TOUCH, paddingHorizontal: GAP.one, justifyContent: 'center' }}
        >
          <Text kind="strong" style={{ color: surface, textDecorationLine: 'underline' }}>
            Undo
          </Text>
        </Pressable>
      )}
      {!notice.undo && (
        <Pressable
          role="button"
          onPress={dismissNotice}
          style={{ minHeight: TOUCH, paddingHorizontal: GAP.one, justifyContent: 'center' }}
        >
          <Text kind="strong" style={{ color: surface }}>
            Close
          </Text>
        </Pressable>
      )}
    </View>
  );
}
