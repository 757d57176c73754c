import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import { router, type Href } from 'expo-router';
import Head from 'expo-router/head';
import type { ReactNode } from 'react';
import { ScrollView, View } from 'react-native';
import { IconButton } from './IconButton';
import { COLUMN, GAP, useWide } from './theme';
import { Words } from './Words';

interface ScreenProps {
  title: string;
  /** Where the arrow leads when there is nothing to go back to. */
  back?: Href;
  /** The primary action, in reach of the thumb. */
  foot?: ReactNode;
  aside?: ReactNode;
  children: ReactNode;
  /** The title is shown by the screen itself. */
  bare?: boolean;
  /** On a wide screen it takes the width of two columns. */
  broad?: boolean;
  /** It is the second pane of a wide screen, beside the one that matters first. */
  second?: boolean;
}

/** A screen: what it is, what it shows, and at its foot what to do. */
export function Screen({ title, back, foot, aside, children, bare, broad, second }: ScreenProps) {
  const wide = useWide();
  const goBack = () => (router.canGoBack() ? router.back() : back && router.replace(back));
  return (
    <View role={second ? 'complementary' : 'main'} aria-label={second ? title : undefined} style={{ flex: 1 }}>
      {!second && (
        <Head>
          <title>{`${title} · Tembrin`}</title>
        </Head>
      )}
      <ScrollView contentContainerStyle={{ flexGrow: 1, alignItems: 'center' }}>
        <View
          style={{
            width: '100%',
            maxWidth: broad ? 2 * COLUMN : COLUMN,
            paddingHorizontal: wide ? GAP.two : GAP.more,
            paddingTop: wide ? GAP.two : GAP.half,
            paddingBottom: GAP.two,
            gap: GAP.more,
            flexGrow: 1,
          }}
        >
          {!bare && (
            <View style={{ flexDirection: 'row', alignItems: 'center', minHeight: 48 }}>
              {back !== undefined && (
                <View style={{ marginLeft: -GAP.half }}>
                  <IconButton icon={ChevronLeft} label="Back" onPress={goBack} />
                </View>
              )}
              <Words kind="title" level={second ? 2 : 1} style={{ flex: 1 }}>
                {title}
              </Words>
              {aside}
            </View>
          )}
          {children}
        </View>
      </ScrollView>
      {foot && (
        <View style={{ alignItems: 'center' }}>
          <View
            style={{
              width: '100%',
              maxWidth: COLUMN,
              paddingHorizontal: wide ? GAP.two : GAP.more,
              paddingVertical: GAP.half,
              gap: GAP.small,
            }}
          >
            {foot}
          </View>
        </View>
      )}
    </View>
  );
}
