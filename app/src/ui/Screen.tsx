import ChevronLeft from 'lucide-react-native/icons/chevron-left';
import { router, type Href } from 'expo-router';
import { useContext, type ReactNode } from 'react';
import { ScrollView } from 'react-native';
import { PageTrail } from './arrival';
import { IconButton } from './IconButton';
import { COLUMN, Listed, useWide } from './theme';
import { Text } from './Text';
import { Row, Stack } from './layout';
import { PageTitle } from './PageTitle';

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
  /** It is the second pane of a wide screen, beside the one that matters first. A list beside its page has no foot: what to do is there. */
  second?: boolean;
}

/** A screen: what it is, what it shows, and at its foot what to do. */
export function Screen({ title, back, foot, aside, children, bare, broad, second: asSecond }: ScreenProps) {
  const listed = useContext(Listed);
  const second = asSecond || listed;
  const trail = useContext(PageTrail).filter((name) => !title.includes(name));
  const wide = useWide();
  const goBack = () => (router.canGoBack() ? router.back() : back && router.replace(back));
  return (
    <Stack role={second ? 'complementary' : 'main'} aria-label={second ? title : undefined} grow>
      {!second && <PageTitle title={[title, ...trail, 'Tembrin'].join(' · ')} />}
      <ScrollView contentContainerStyle={{ flexGrow: 1, alignItems: 'center' }}>
        <Stack
          padX={wide ? 'two' : 'more'}
          padTop={wide || listed ? 'two' : 'half'}
          padBottom="two"
          gap="more"
          maxWidth={broad ? 2 * COLUMN : COLUMN}
          fill
          full
        >
          {!bare && (
            <Row align="center" minHeight={48}>
              {back !== undefined && !listed && (
                <Stack outdent="half">
                  <IconButton icon={ChevronLeft} label="Back" onPress={goBack} />
                </Stack>
              )}
              <Text kind="title" level={second ? 2 : 1} grow>
                {title}
              </Text>
              {aside}
            </Row>
          )}
          {children}
        </Stack>
      </ScrollView>
      {foot && !listed && (
        <Stack align="center">
          {/* Under two columns it stands in the second: below the words, as on one. */}
          <Row justify={broad && wide ? 'end' : 'center'} maxWidth={broad ? 2 * COLUMN : COLUMN} full>
            <Stack padX={wide ? 'two' : 'more'} padY="half" gap="small" maxWidth={COLUMN} full>
              {foot}
            </Stack>
          </Row>
        </Stack>
      )}
    </Stack>
  );
}
