import type { Finding, InstrumentLog } from '../log';
import { seenLife, wornAt, type Life, type Pace, type ShareSeen } from '../wear';
import { BAND_LIMITS } from './limits';

/** Hairs in a violin's bow, 150 to 200 [handbook 6, from memory]; other bows are taken to lose the same share. */
const HAIRS = 175;
/** A band is spent when this share of it is gone: from whole to where it asks for a rehair [handbook 9, derived]. */
const SPENT_SHARE = (100 - BAND_LIMITS.act) / 100;
/** A width is read to about so many percent. From memory. */
const READ_WITHIN = 5;
/** How far a band of one width may differ from another in what is left of it; and a rate of breaking from the rate to come. From memory. */
const BAND_LOG_SD = 0.25;
const BREAKING_LOG_SD = 0.5;
/** Share of its life that is behind what was seen without a figure. From memory. */
const BY_EYE = { watch: { share: 0.7, logSd: 0.35 }, act: { share: 1.1, logSd: 0.2 } } as const;
/** Fewer broken hairs than that tell no rate. */
const LEAST_BROKEN = 5;

const narrowest = ({ figures }: Pick<Finding, 'figures'>): number | null => {
  const widths = figures.flatMap(({ figure, value }) => (figure.startsWith('bow-band-') ? [value] : []));
  return widths.length === 0 ? null : Math.min(...widths);
};

/** What the width of the band, or the eye, tells of how much of its life hair has behind it; null where it tells nothing. */
export function shareByBand(finding: Pick<Finding, 'figures' | 'verdict'>): ShareSeen | null {
  const band = narrowest(finding);
  if (band === null) return finding.verdict === 'good' ? null : BY_EYE[finding.verdict];
  const gone = Math.max(1, 100 - band);
  return { share: gone / 100 / SPENT_SHARE, logSd: Math.hypot(BAND_LOG_SD, READ_WITHIN / gone) };
}

/** What was seen of hair since it was put on, and at which wear. */
type Seen = ShareSeen & { wear: number };

function bandSeen(log: Pick<InstrumentLog, 'findings'>, fittedAt: number, wearAt: (atMs: number) => number): Seen[] {
  const look = log.findings.findLast(({ look: id, at }) => id === 'hair-band' && at > fittedAt);
  const share = look && shareByBand(look);
  return share ? [{ ...share, wear: wearAt(look.at) }] : [];
}

/**
 * What the hairs that broke tell: so much of the band is gone, at the least. It says only that hair lasts less long than the rule:
 * it wears without breaking too.
 */
function breakingSeen(
  log: Pick<InstrumentLog, 'measures'>,
  fittedAt: number,
  wearAt: (atMs: number) => number,
): Seen[] {
  const counts = log.measures.filter(({ figure, at }) => figure === 'bow-hairs-broken' && at > fittedAt);
  const broken = counts.reduce((sum, { value }) => sum + value, 0);
  if (broken < LEAST_BROKEN) return [];
  const share = broken / HAIRS / SPENT_SHARE;
  const wear = wearAt(counts.at(-1)!.at);
  return share > wear ? [{ share, logSd: Math.hypot(BREAKING_LOG_SD, 1 / Math.sqrt(broken)), wear }] : [];
}

/**
 * The life of the hair that is on, after what was seen of it: a band that is narrower than its wear would have it, or hairs that
 * break fast, mean that it lasts less long [handbook 6].
 * @param life by the rule
 * @param tightBy share of the life spent by standing tight, by an instant
 */
export function hairLifeSeen(
  life: Life,
  log: InstrumentLog,
  pace: Pace,
  fittedAt: number,
  tightBy: (atMs: number) => number,
): Life {
  const wearAt = (atMs: number) => {
    const { told, reckoned } = wornAt(life, log.playing, pace.before, fittedAt, atMs);
    return told + reckoned + tightBy(atMs);
  };
  return seenLife(life, [...bandSeen(log, fittedAt, wearAt), ...breakingSeen(log, fittedAt, wearAt)]);
}

/** What the last look at strings tells of how much of their life is behind them, from when on; null where it found them good, or nobody looked. */
export function stringShareSeen(
  log: Pick<InstrumentLog, 'findings'>,
  position: number,
  fittedAt: number,
): (ShareSeen & { at: number }) | null {
  const last = log.findings.findLast(
    ({ look, string, at }) => look === 'strings' && at > fittedAt && (string === null || string === position),
  );
  return last === undefined || last.verdict === 'good' ? null : { ...BY_EYE[last.verdict], at: last.at };
}
