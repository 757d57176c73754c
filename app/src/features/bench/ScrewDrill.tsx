import { useState } from 'react';
import { usePreferences } from '@/state/preferences';
import { Button } from '@/ui/Button';
import { useKeys } from '@/ui/keys';
import { Screen } from '@/ui/Screen';
import { Text } from '@/ui/Text';
import { measureWords } from '@/copy/measures';
import { BowDrawing } from './BowDrawing';
import type { DrillProps } from './outcome';
import { bowAt, bowGap, leavesAtTurns, type BowAt } from '@tembrin/core/bow';
import { DRILL_DATA } from '@tembrin/core/learning';
import type { BowedFamily } from '@tembrin/core/instruments';
import type { StepId } from '@tembrin/core/log';
import { Row, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/bench/screw-drill';

interface Question {
  asks: string;
  /** Turns at which the bow is handed over. */
  from: number;
  right: (bow: BowAt) => boolean;
  missed: StepId | null;
}

const playable = (bow: BowAt) => bow.state === 'right';
/** Slack for the case: the hair no longer pulls, and is not so far off that it hangs. */
const slackened = (bow: BowAt) => bow.pullN === 0 && bow.turns >= -0.5;

const QUESTIONS: readonly Question[] = [
  { asks: copy.tightenIt, from: 2, right: playable, missed: null },
  { asks: copy.makeItRight, from: 11, right: playable, missed: null },
  { asks: copy.slackenIt, from: 7, right: slackened, missed: 'slacken' },
];

/** What the bow says of itself: a word for its state, without giving the answer away as a number of turns. */
function stateWords(bow: BowAt): string {
  switch (bow.state) {
    case 'leaving':
      return copy.stopTheScrewIs;
    case 'slack':
      return bow.pullN === 0 ? copy.theHairLiesLoose : copy.theHairPullsBut;
    case 'right':
      return copy.roomForAPencil;
    case 'tight':
      return copy.widerThanTheGauge;
    case 'straight':
      return bow.camberMm < -1 ? copy.itBendsOutwardsBack : copy.theStickIsStraight;
  }
}

const HALF = 0.5;
const MOST_TURNS = 13;

/** Turn the screw until the stick is right: tightening, putting right what somebody left, and slackening. */
export function ScrewDrill({ instrument, onOver }: DrillProps) {
  const family = instrument.family as BowedFamily;
  const lengths = usePreferences((state) => state.lengths);
  const [at, setAt] = useState(0);
  const [turns, setTurns] = useState(QUESTIONS[0]!.from);
  const [told, setTold] = useState<boolean | null>(null);
  const [answers, setAnswers] = useState<readonly boolean[]>([]);
  const question = QUESTIONS[at]!;
  const bow = bowAt(family, turns);
  const least = leavesAtTurns(family) + HALF;

  const turn = (by: number) => {
    if (told !== null) return;
    setTurns((before) => Math.min(MOST_TURNS, Math.max(least, before + by)));
  };
  const judge = () => {
    const right = question.right(bow);
    setTold(right);
    setAnswers([...answers, right]);
  };
  const next = () => {
    const following = QUESTIONS[at + 1];
    if (!following) {
      const missed = QUESTIONS.flatMap(({ missed: step }, index) => (step && !answers[index] ? [step] : []));
      return onOver({ right: answers.filter(Boolean).length, of: QUESTIONS.length, missed });
    }
    setAt(at + 1);
    setTurns(following.from);
    setTold(null);
  };
  const go = told === null ? judge : next;
  useKeys({
    arrowright: { label: 'Turn tighter', run: () => turn(HALF) },
    arrowleft: { label: 'Turn slacker', run: () => turn(-HALF) },
    enter: { label: copy.itIsRight, run: go },
  });
  const { usual, least: narrowest, most } = bowGap(family);
  const gap = measureWords('bow-gap', bow.gapMm, lengths);
  return (
    <Screen
      title={DRILL_DATA.screw.title}
      back="/bench"
      foot={
        <>
          <Row gap="small">
            <Button rank="outline" title="Slacker" onPress={() => turn(-HALF)} disabled={told !== null} grow />
            <Button rank="outline" title="Tighter" onPress={() => turn(HALF)} disabled={told !== null} grow />
          </Row>
          <Button title={told === null ? copy.thatIsRight : 'Go on'} onPress={go} />
        </>
      }
    >
      <Stack gap="hair">
        <Text kind="small" tone="quiet">{`${at + 1} of ${QUESTIONS.length}`}</Text>
        <Text kind="heading" level={2} aria-live="polite">
          {question.asks}
        </Text>
      </Stack>
      <BowDrawing bow={bow} family={family} />
      <Stack role="status" aria-live="polite" gap="small">
        <Text kind="heading">{stateWords(bow)}</Text>
        {told === null ? (
          <Text kind="small" tone="quiet">
            {copy.theCircleIsAcross(usual, lengths)}
          </Text>
        ) : (
          <Text tone={told ? 'well' : 'now'}>{copy.theGapIsFor({ told, gap, narrowest, lengths, most })}</Text>
        )}
      </Stack>
    </Screen>
  );
}
