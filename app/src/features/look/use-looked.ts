import type { Instrument } from '@tembrin/contract';
import type { InstrumentAssessment } from '@/state/assessments';
import { adviceOn, byGravity, hairVerdict } from '@tembrin/core/inspection';
import { LOOK_DATA } from '@tembrin/core/instruments';
import type { LookOver } from '@tembrin/core/log';
import { guidesFor, roundUnderWay, tookMs } from '@tembrin/core/looks';
import { threadOf } from '@tembrin/core/parts';

/** A look-over that is over: what was found, what it changes, what to do now. */
export function useLooked(instrument: Instrument, assessment: InstrumentAssessment, over: LookOver) {
  const { facts, schools, log, threads, air, found: open } = assessment;
  const { steps, answers } = roundUnderWay(assessment, over);
  const guides = new Map(guidesFor(facts, schools).map((guide) => [guide.look, guide]));
  const seen = [...answers.values()].flatMap(({ finding }) => finding ?? []);
  const found = byGravity(seen.filter(({ verdict }) => verdict !== 'good')).map((finding) => ({
    finding,
    advice: adviceOn(finding, air),
    guide: guides.get(finding.look),
  }));
  const hair = threadOf(threads, 'hair');
  const checkup = threadOf(threads, 'checkup');
  const looked = new Set(seen.map(({ look }) => look));
  const goodOf = (look: string) => seen.some((each) => each.look === look && each.verdict === 'good');
  const grows = isSmall(instrument);
  const ofBow = open.filter(({ look }) => LOOK_DATA[look].bow);
  return {
    moment: { nowMs: log.nowMs, timeZone: log.timeZone },
    ms: tookMs(over),
    count: seen.length,
    /** Whether the size is one that is outgrown. */
    grows,
    found,
    good: seen.filter(({ verdict }) => verdict === 'good').map(({ look }) => look),
    skipped: steps.map(({ look }) => look).filter((look) => !looked.has(look)),
    hair: {
      /** The window by the rule, and by what was seen. */
      moved:
        hair?.unseen && hair.window && looked.has('hair-band') ? { before: hair.unseen, after: hair.window } : null,
      proven: goodOf('hair-band'),
      verdict: looked.has('hair-band')
        ? hairVerdict(ofBow, hair?.state === 'now', instrument.setUp.player === 'child' || grows)
        : null,
      clock: hair?.clock ?? null,
    },
    strings: {
      proven: goodOf('strings'),
      nearer: found.some(({ finding }) => finding.look === 'strings'),
    },
    visit: {
      pressed: checkup?.pressed && checkup.window ? checkup.window : null,
      joins: found.filter(({ finding, advice }) => LOOK_DATA[finding.look].act.who === 'workshop' && !advice.airFirst)
        .length,
    },
  };
}

/** A size that is outgrown. */
const isSmall = ({ size }: Instrument) => size !== null && size !== '4/4' && size.includes('/');

export type LookedModel = ReturnType<typeof useLooked>;
