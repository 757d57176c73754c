import type { PlateMark } from '@/ui/Plate';
import { LOOK_DATA } from '@tembrin/core/instruments';
import type { Finding } from '@tembrin/core/log';

/** Findings as they stand on the plate. */
export function marksOf(findings: readonly Finding[]): PlateMark[] {
  return findings.flatMap(({ eventId, look, zone, point, verdict }): PlateMark[] =>
    verdict === 'good' ? [] : [{ key: eventId, zone: zone ?? LOOK_DATA[look].zone, point, verdict }],
  );
}
