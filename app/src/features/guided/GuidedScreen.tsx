import type { Instrument } from '@tembrin/contract';
import type { GuidedStep } from '@tembrin/core/guided';
import type { Zone } from '@tembrin/core/instruments';
import Hand from 'lucide-react-native/icons/hand';
import type { Href } from 'expo-router';
import type { ReactNode } from 'react';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { IconButton } from '@/ui/IconButton';
import { useKeys } from '@/ui/keys';
import { Plate } from '@/ui/Plate';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { useWide } from '@/ui/theme';
import { Row, Split, Stack } from '@/ui/layout';
import { inUnits } from '@/copy/measures';
import { copy } from '@/copy/screens/guided/guided';
import { HandsBusyView } from '../hands-busy';
import { CallFor } from '../call-route';
import { StepDrawing } from './StepDrawing';

export interface GuidedProps {
  instrument: Instrument;
  /** What the page is called: the job, or the string in work. */
  title: string;
  back: Href;
  /** How far it has come. */
  marks: ReactNode;
  step: GuidedStep & { zone?: Zone };
  /** It is the last one. */
  last: boolean;
  /** What going on is called, where it is more than that. */
  nextTitle?: string;
  onNext: () => void;
  /** null at the first step. */
  onBack: (() => void) | null;
  onPause: () => void;
  onLeave: () => void;
  /** Something is typed or chosen at this step: it is not shown for full hands. */
  asks?: boolean;
  above?: ReactNode;
  /** What is read, looked at or chosen at this step. */
  children?: ReactNode;
}

/** One step of a guided job, read from where it is done; left at any point and taken up again days later. */
export function GuidedScreen(props: GuidedProps) {
  const { onNext, onBack, asks } = props;
  const { handsBusy, setHandsBusy } = usePreferences();
  useKeys({
    enter: { label: copy.doneNextStep, run: onNext },
    arrowleft: { label: copy.oneStepBack, run: () => onBack?.() },
    b: { label: handsBusy ? copy.usualView : copy.handsBusy, run: () => setHandsBusy(!handsBusy) },
  });
  return handsBusy && !asks ? <Busy {...props} /> : <Usual {...props} />;
}

function Busy({ title, marks, step, onNext, onBack, onPause, onLeave }: GuidedProps) {
  return (
    <HandsBusyView
      documentTitle={`${title} · Tembrin`}
      title={inUnits(step.title)}
      how={step.how.map(inUnits)}
      caution={step.caution && inUnits(step.caution)}
      progress={marks}
      tap={copy.tap}
      onTap={onNext}
      later={onPause}
    >
      <Button rank="outline" title={copy.backAStep} disabled={onBack === null} onPress={() => onBack?.()} />
      <Button rank="plain" title={copy.leave} onPress={onLeave} />
    </HandsBusyView>
  );
}

function Usual({ instrument, title, back, marks, step, last, nextTitle, asks, above, children, ...does }: GuidedProps) {
  const { onNext, onBack, onPause, onLeave } = does;
  const setHandsBusy = usePreferences((state) => state.setHandsBusy);
  const wide = useWide();
  const { picture, zone = 'whole' } = step;
  return (
    <Screen
      key={step.id}
      broad
      title={title}
      back={back}
      aside={<IconButton icon={Hand} label={copy.handsBusy} onPress={() => setHandsBusy(true)} />}
      foot={
        <>
          <Button title={nextTitle ?? (last ? copy.finish : copy.next)} hotkey="enter" onPress={onNext} />
          <Row justify="between">
            <Button rank="plain" title={copy.backAStep} disabled={onBack === null} onPress={() => onBack?.()} />
            <Button rank="plain" title={copy.pause} onPress={onPause} />
            <Button rank="plain" title={copy.leave} onPress={onLeave} />
          </Row>
        </>
      }
    >
      <Split gap={wide ? 'wide' : 'more'} align={wide ? 'center' : 'stretch'}>
        <Stack gap="more" grow={wide}>
          {marks}
          {picture !== 'none' && <StepDrawing picture={picture} height={wide ? 330 : asks ? 124 : 170} />}
          {picture === 'none' && (
            <Stack align="center">
              <Plate
                subject={instrument}
                height={wide ? 400 : asks ? 130 : 190}
                lit={zone}
                withBow={zone.startsWith('bow-')}
              />
            </Stack>
          )}
        </Stack>
        <Stack gap="more" grow={wide}>
          {above}
          <StepInHand step={step} kind={asks && !wide ? 'body' : 'large'} />
          {children}
        </Stack>
      </Split>
    </Screen>
  );
}

/** What to do. What else has to find room on a small screen makes it smaller. */
function StepInHand({ step, kind }: { step: GuidedStep; kind: 'body' | 'large' }) {
  return (
    <Stack role="status" gap="half">
      <Text kind="title" level={2}>
        {inUnits(step.title)}
      </Text>
      {step.how.map((sentence) => (
        <Text key={sentence} kind={kind}>
          {inUnits(sentence)}
        </Text>
      ))}
      {step.caution && <Text tone="now">{inUnits(step.caution)}</Text>}
      {step.caution?.includes('luthier') && <CallFor role="workshop" />}
    </Stack>
  );
}
