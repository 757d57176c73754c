import type { Instrument } from '@tembrin/contract';
import { router } from 'expo-router';
import { useState } from 'react';
import { act } from '@/state/actions';
import { useAssessment, useComplete } from '@/state/assessments';
import { useKeys } from '@/ui/keys';
import { openLookOver } from '@tembrin/core/inspection';
import type { Extent, Looker } from '@tembrin/core/log';
import { lookRound, roundUnderWay, timeFor, type LookStep } from '@tembrin/core/looks';
import { unlessGone } from '../unless-gone';
import { copy } from '@/copy/screens/look/start';

/** A look-over before it begins: how much, by whom, and why. */
export function useLookStart(instrument: Instrument) {
  const assessment = useAssessment(instrument);
  const complete = useComplete(instrument.id);
  const { log, facts, schools, reasons, found } = assessment;
  const [extent, setExtent] = useState<Extent>('quick');
  const [by, setBy] = useState<Looker>(instrument.setUp.player === 'child' ? 'child' : 'player');
  const stepsOf = (of: Extent): LookStep[] =>
    lookRound({
      facts,
      schools,
      extent: of,
      by,
      causes: reasons.map(({ cause }) => cause),
      open: found.map(({ look }) => look),
    });
  const rounds = { quick: stepsOf('quick'), full: stepsOf('full'), bow: stepsOf('bow') };
  const under = openLookOver(log);
  const last = log.lookOvers.findLast(({ endedAt }) => endedAt !== null) ?? null;
  const begin = async () => {
    const goOn = unlessGone(() => router.push('/bench/looking'));
    if (under) return goOn();
    const begun = await act(instrument.id, [{ type: 'look-over-began', payload: { extent, by } }], null);
    if (begun.length > 0) goOn();
  };
  const fell = () => void act(instrument.id, [{ type: 'knocked', payload: {} }], copy.fellNoted);
  useKeys(complete ? { enter: { label: copy.begin, run: () => void begin() } } : {});
  return {
    complete,
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    reasons,
    found,
    extent,
    setExtent,
    by,
    setBy,
    steps: rounds[extent],
    counts: { quick: rounds.quick.length, full: rounds.full.length, bow: rounds.bow.length },
    time: timeFor(rounds[extent], log, extent),
    last: last && {
      ...last,
      found: log.findings.filter(({ overId, verdict }) => overId === last.eventId && verdict !== 'good').length,
    },
    under: under && roundUnderWay(assessment, under),
    begin,
    fell,
  };
}

export type LookStartModel = ReturnType<typeof useLookStart>;
