import { Link, router, Slot, usePathname } from 'expo-router';
import { Suspense, useEffect, type ReactNode } from 'react';
import { PageBeside } from './PageBeside';
import { usePageTrail } from './page-trail';
import { SECTIONS, type Section, type SectionId } from './sections';
import Svg, { Circle, Path } from 'react-native-svg';
import { PageTrail } from '@/ui/arrival';
import { useConfirmed } from '@/state/assessments';
import { useKnown } from '@/state/known';
import { rulesComing } from '@/state/rules';
import { loadPutAnother } from './now/put-another';
import { useKeys } from '@/ui/keys';
import { NoticeLine } from '@/ui/Notice';
import { RAIL, usePalette, useWide, type Palette } from '@/ui/theme';
import { Text } from '@/ui/Text';
import { LineState } from './LineState';
import { aboveFoot, Press, Row, Split, Stack } from '@/ui/layout';
import { Waiting } from '@/ui/Waiting';

const BAR = 64;
/** The stand is drawn and judged by then, on a slow phone too. From memory. */
const SETTLED_MS = 3000;

/** The shell: a bar at the foot of a phone, a rail on a wide screen. */
export function AppShell() {
  const wide = useWide();
  const path = usePathname();
  const trail = usePageTrail(path);
  // A round has the whole screen to itself.
  const alone = path === '/now/closing' || path === '/bench/looking';
  useKeys(
    Object.fromEntries(
      SECTIONS.map(({ title, href }, at) => [
        String(at + 1),
        { label: `Go to ${title}`, run: () => router.push(href) },
      ]),
    ),
  );
  return (
    <Split grow ground="ground">
      {wide && <SectionList direction="column" path={path} />}
      <Stack grow>
        <LineState />
        <Stack grow>
          <Suspense fallback={<Waiting />}>
            <PageTrail.Provider value={trail}>
              <Ready confirmed={path !== '/now'}>
                <PageBeside>
                  <Slot />
                </PageBeside>
              </Ready>
            </PageTrail.Provider>
          </Suspense>
        </Stack>
      </Stack>
      {!wide && !alone && <SectionList direction="row" path={path} />}
      <NoticeLine bottom={alone ? 168 : wide ? 88 : aboveFoot(BAR + 88)} />
    </Split>
  );
}

/**
 * The rules of the log are fetched while the stand is looked at. What was kept from last time is for the stand alone: the others wait until it is confirmed, and until air and cards are there.
 */
function Ready({ confirmed, children }: { confirmed: boolean; children: ReactNode }) {
  useConfirmed(confirmed);
  useKnown(confirmed);
  useEffect(() => {
    const fetching = setTimeout(
      () => void Promise.all([rulesComing(), loadPutAnother()]).catch(() => undefined),
      SETTLED_MS,
    );
    return () => clearTimeout(fetching);
  }, []);
  return children;
}

function SectionList({ direction, path }: { direction: 'row' | 'column'; path: string }) {
  const row = direction === 'row';
  const Bar = row ? Row : Stack;
  return (
    <Bar
      role="navigation"
      aria-label="Places"
      {...(row
        ? { height: aboveFoot(BAR), foot: true, rule: 'top' }
        : { width: RAIL, padTop: 'two', gap: 'small', rule: 'right' })}
    >
      {SECTIONS.map((section) => (
        <SectionLink key={section.id} section={section} row={row} here={path.startsWith(`/${section.id}`)} />
      ))}
    </Bar>
  );
}

function SectionLink({ section, row, here }: { section: Section; row: boolean; here: boolean }) {
  const palette = usePalette();
  const tone: keyof Palette = here ? 'text' : 'quiet';
  return (
    <Link href={section.href} asChild>
      <Press
        aria-current={here ? 'page' : undefined}
        grow={row}
        align="center"
        justify="center"
        gap={row ? 2 : 6}
        minHeight={64}
      >
        <SectionMark id={section.id} here={here} colour={here ? palette.accent : palette.quiet} />
        <Text kind={row ? (here ? 'smallStrong' : 'small') : here ? 'strong' : 'body'} tone={tone}>
          {section.title}
        </Text>
      </Press>
    </Link>
  );
}

/** Now is a bead on a thread; Kit is a case; Air is a board between two knife marks; Year is threads laid on months; the Bench is a peg, out of its hole. */
function SectionMark({ id, colour, here }: { id: SectionId; colour: string; here: boolean }) {
  return (
    <Svg width={30} height={20} viewBox="0 0 30 20" aria-hidden>
      {id === 'now' && (
        <>
          <Path d="M1 10H29" stroke={colour} strokeWidth={2} />
          <Circle cx={15} cy={10} r={5.5} fill={colour} />
        </>
      )}
      {id === 'kit' && (
        <>
          <Path
            d="M4 13C4 9 7 8.5 10 8.5H17C21 8.5 22 6.5 25 6.5C28.5 6.5 29 9.5 29 12.5C29 16 28.5 18.5 25 18.5C22 18.5 21 17 17 17H10C7 17 4 17 4 13Z"
            stroke={colour}
            strokeWidth={2}
            fill={here ? colour : 'none'}
          />
          <Path d="M11 8V4.5H17V8" stroke={colour} strokeWidth={2} fill="none" />
        </>
      )}
      {id === 'air' && (
        <>
          <Path d="M2 2.5V17.5M28 2.5V17.5" stroke={colour} strokeWidth={2} />
          <Path d="M6 6Q15 4 24 6V14Q15 12 6 14Z" stroke={colour} strokeWidth={2} fill={here ? colour : 'none'} />
        </>
      )}
      {id === 'year' && (
        <>
          <Path d="M2 1V19M15 1V19M28 1V19" stroke={colour} strokeWidth={1.4} />
          <Path d="M2 6H18M8 14H24" stroke={colour} strokeWidth={2.4} />
          <Circle cx={18} cy={6} r={3.4} stroke={colour} strokeWidth={2} fill={here ? colour : 'none'} />
          <Circle cx={24} cy={14} r={3.4} stroke={colour} strokeWidth={2} fill={here ? colour : 'none'} />
        </>
      )}
      {id === 'bench' && (
        <>
          <Path
            d="M13 7.5L28.5 8.8V11.2L13 12.5Z"
            stroke={colour}
            strokeWidth={2}
            strokeLinejoin="round"
            fill={here ? colour : 'none'}
          />
          <Path
            d="M1.5 10C1.5 6 4 3.5 6.5 3.5C9.5 3.5 11 6.5 11 10C11 13.5 9.5 16.5 6.5 16.5C4 16.5 1.5 14 1.5 10Z"
            stroke={colour}
            strokeWidth={2}
            fill={here ? colour : 'none'}
          />
        </>
      )}
    </Svg>
  );
}
