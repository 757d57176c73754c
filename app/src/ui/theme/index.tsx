import { createTheme, ThemeProvider, useThemeMode } from '@rneui/themed/dist/config';
import { createContext, useContext, useEffect, useMemo, type ReactNode } from 'react';
import { useColorScheme, useWindowDimensions } from 'react-native';
import { usePreferences } from '@/state/preferences';
import { WIDE } from './measure';
import { DAY, NIGHT, type Palette } from './palette';

export * from './measure';
export type { Palette } from './palette';

const rneColours = ({ accent, surface, text, ground, line, quiet, now, soon, well, edge }: Palette) => ({
  primary: accent,
  white: surface,
  black: text,
  background: ground,
  divider: line,
  grey3: quiet,
  error: now,
  warning: soon,
  success: well,
  disabled: edge,
});

/** Whether the dark theme is on: as chosen, or as the device has it. */
function useDark(): boolean {
  const device = useColorScheme();
  const look = usePreferences((state) => state.look);
  return look === 'device' ? device === 'dark' : look === 'night';
}

/** Colours and widgets for everything below. The faces stand in the page itself. */
export function Theme({ children }: { children: ReactNode }) {
  const dark = useDark();
  const theme = useMemo(
    () =>
      createTheme({
        mode: dark ? 'dark' : 'light',
        lightColors: rneColours(DAY),
        darkColors: rneColours(NIGHT),
      }),
    [dark],
  );
  return (
    <ThemeProvider theme={theme}>
      <PageColours dark={dark} />
      {children}
    </ThemeProvider>
  );
}

/** The page behind the app, and the browser's own controls, in the same light. */
function PageColours({ dark }: { dark: boolean }) {
  useEffect(() => {
    const { style } = document.documentElement;
    style.colorScheme = dark ? 'dark' : 'light';
    const { ground, well } = dark ? NIGHT : DAY;
    style.setProperty('--focus', well);
    document.body.style.backgroundColor = ground;
  }, [dark]);
  return null;
}

export function usePalette(): Palette {
  return useThemeMode().mode === 'dark' ? NIGHT : DAY;
}

/** Whether this is a list that stands beside the page chosen from it: one pane of a wide screen. */
export const Listed = createContext(false);

/** Whether the screen is wide enough for a rail and two panes. */
export function useWide(): boolean {
  const listed = useContext(Listed);
  const { width } = useWindowDimensions();
  return width >= WIDE && !listed;
}
