import { useState } from 'react';
import Svg, { Circle, Path, Rect } from 'react-native-svg';
import { Button } from '@/ui/Button';
import { Press, Row, Stack } from '@/ui/layout';
import { Text } from '@/ui/Text';
import { usePalette } from '@/ui/theme';
import { causeTitle, chanceWords, speaks } from '@/copy/troubles';
import { copy } from '@/copy/screens/wrong/case';
import type { Suspect } from '@tembrin/core/triage';
import type { CaseModel } from './use-case';

/** Causes less likely than this are kept apart; so many are shown at most. */
const SHOWN = { from: 0.04, most: 6 } as const;
/** A change of the chance by less than this is not spoken of. */
const MOVED = 0.03;

const percent = (chance: number) => `${chance < 0.01 ? '<1' : Math.round(chance * 100)} %`;

/** What it could be: each cause a string that tightens as evidence comes in for it, and slackens as it speaks against it. */
export function SuspectStrings({ model }: { model: CaseModel }) {
  const [all, setAll] = useState(false);
  const { judgement } = model;
  if (!judgement) return null;
  const likely = judgement.causes.filter(
    ({ chance, id }, at) => at < 2 || (chance >= SHOWN.from && at < SHOWN.most) || judgement.dangers.includes(id),
  );
  const rest = judgement.causes.filter((each) => !likely.includes(each));
  return (
    <Stack gap="hair">
      <Text kind="heading" level={2}>
        {copy.could}
      </Text>
      <Text kind="small" tone="quiet">
        {copy.stringsLabel}
      </Text>
      {[...likely, ...(all ? rest : [])].map((suspect) => (
        <SuspectString key={suspect.id} suspect={suspect} model={model} />
      ))}
      {rest.length > 0 && (
        <Button
          rank="plain"
          title={all ? copy.fewer : copy.more(rest.length)}
          onPress={() => setAll(!all)}
          start
          flush
        />
      )}
    </Stack>
  );
}

function SuspectString({ suspect, model }: { suspect: Suspect; model: CaseModel }) {
  const [open, setOpen] = useState(false);
  const { judgement, before, given, played } = model;
  const { id, chance } = suspect;
  const was = before.get(id);
  const danger = judgement!.dangers.includes(id);
  const lead = judgement!.lead === id;
  const moved = was !== undefined && Math.abs(was - chance) >= MOVED;
  return (
    <Stack rule="bottom">
      <Press role="button" aria-expanded={open} onPress={() => setOpen(!open)} padY="small" gap="hair">
        <Row gap="small" align="baseline" justify="between">
          <Text kind={lead ? 'strong' : 'body'} tone={danger ? 'now' : 'text'} shrink>
            {causeTitle(id)}
          </Text>
          <Text kind="table" tone={chance >= 0.2 ? 'text' : 'quiet'}>
            {percent(chance)}
          </Text>
        </Row>
        <Tension chance={chance} was={moved ? was : null} tone={danger ? 'now' : lead ? 'accent' : 'edge'} />
        <Text kind="tiny" tone="quiet">
          {[chanceWords(chance), moved ? (was < chance ? copy.tighter : copy.slacker)(percent(was)) : '']
            .filter((part) => part !== '')
            .join(', ')}
        </Text>
      </Press>
      {open && given && <Speaks {...speaks(suspect, given.facts, played)} />}
    </Stack>
  );
}

const [WIDE, TALL] = [100, 28] as const;
const DEEPEST = 17;
const sag = (chance: number) => DEEPEST * (1 - chance) ** 1.5;
const hung = (chance: number) => `M0 8Q${WIDE / 2} ${8 + 2 * sag(chance)} ${WIDE} 8`;

/** A string between peg and saddle, as tight as its cause is likely. @param was how tight it stood before; null: as now */
function Tension({ chance, was, tone }: { chance: number; was: number | null; tone: 'now' | 'accent' | 'edge' }) {
  const palette = usePalette();
  return (
    <Row aria-hidden>
      <Svg width={16} height={TALL}>
        <Circle cx={9} cy={9} r={7} fill={palette.stick} />
        <Circle cx={9} cy={9} r={2} fill={palette.ground} />
      </Svg>
      <Stack grow>
        {/* Drawn as wide as there is room: a string has no proportions. */}
        <Svg width="100%" height={TALL} viewBox={`0 0 ${WIDE} ${TALL}`} preserveAspectRatio="none">
          {was !== null && (
            <Path
              d={hung(was)}
              stroke={palette.edge}
              strokeWidth={1.2}
              strokeDasharray="3 5"
              fill="none"
              vectorEffect="non-scaling-stroke"
            />
          )}
          <Path
            d={hung(chance)}
            stroke={palette[tone]}
            strokeWidth={1.4 + 2.8 * chance}
            fill="none"
            vectorEffect="non-scaling-stroke"
          />
        </Svg>
      </Stack>
      <Svg width={8} height={TALL}>
        <Rect x={0} y={4} width={6} height={20} rx={2} fill={palette.wood} />
      </Svg>
    </Row>
  );
}

function Speaks({ for: speaksFor, against }: ReturnType<typeof speaks>) {
  return (
    <Stack gap="small" padBottom="half" padLeft="half">
      <Sentences title={copy.speaksFor} sentences={speaksFor.length > 0 ? speaksFor : [copy.nothingFor]} />
      {against.length > 0 && <Sentences title={copy.speaksAgainst} sentences={against} />}
    </Stack>
  );
}

function Sentences({ title, sentences }: { title: string; sentences: readonly string[] }) {
  return (
    <Stack gap={2}>
      <Text kind="smallStrong">{title}</Text>
      {sentences.map((sentence) => (
        <Text key={sentence} kind="small">
          {sentence}
        </Text>
      ))}
    </Stack>
  );
}
