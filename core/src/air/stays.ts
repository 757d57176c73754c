import type { Move } from '../log';
import { holdOf, samplesOf, type AirHour, type AirRecord } from './record';

/** A place as far as the wood cares: a room, or a case that stands in one. */
export interface PlaceFacts {
  id: string;
  kind: 'room' | 'case';
  /** The room a case stands in; null for a room, or when it has not been said. */
  roomId: string | null;
}

/** Where an instrument was over a stretch of time, and whose readings tell its air. */
export interface Stay {
  from: number;
  to: number;
  placeId: string | null;
  /** Place whose readings count; null when there are none. */
  airOf: string | null;
  /** It lies in a closed case inside that air, and lags the more. */
  cased: boolean;
}

/**
 * An instrument's stays up to a moment; the first reaches back to the beginning. Air measured inside a case is the air the wood has; where only the room is measured,
 * the case stands between.
 * @param moves in order of time
 * @param measured whether a place has readings of its own
 */
export function staysOf(
  moves: readonly Omit<Move, 'eventId'>[],
  places: readonly PlaceFacts[],
  measured: (placeId: string) => boolean,
  nowMs: number,
): Stay[] {
  const byId = new Map(places.map((place) => [place.id, place]));
  return moves.flatMap((move, index): Stay[] => {
    const next = moves[index + 1];
    // Where it was before anybody said so is not known; most likely there.
    const from = index === 0 ? 0 : move.at;
    const stay = { from, to: next ? next.at : Math.max(nowMs, from), placeId: move.placeId };
    if (next && stay.to <= stay.from) return [];
    const place = move.placeId === null ? undefined : byId.get(move.placeId);
    // Away, or in a place that was removed since.
    if (!place) return [{ ...stay, placeId: null, airOf: null, cased: move.cased }];
    if (measured(place.id)) return [{ ...stay, airOf: place.id, cased: place.kind === 'room' && move.cased }];
    if (place.kind === 'case' && place.roomId !== null && measured(place.roomId))
      return [{ ...stay, airOf: place.roomId, cased: true }];
    return [{ ...stay, airOf: null, cased: move.cased || place.kind === 'case' }];
  });
}

/** Air an instrument was in over one stay, hour by hour or day by day; `holdMs` is how long a sample is believed. */
export interface StayAir {
  stay: Stay;
  samples: AirHour[];
  holdMs: number;
}

/** The air of each stay. A sample that began before the stay and holds into it counts from its start. */
export function airOfStays(stays: readonly Stay[], recordOf: (placeId: string) => AirRecord | undefined): StayAir[] {
  return stays.map((stay) => {
    const record = stay.airOf === null ? undefined : recordOf(stay.airOf);
    if (!record) return { stay, samples: [], holdMs: 0 };
    const holdMs = holdOf(record);
    const samples = samplesOf(record);
    const before = samples.findLast(({ at }) => at < stay.from && at + holdMs > stay.from);
    const inside = samples.filter(({ at }) => at >= stay.from && at < stay.to);
    return { stay, samples: before ? [{ ...before, at: stay.from }, ...inside] : inside, holdMs };
  });
}

/** Every sample of the air an instrument was in, in order of time. */
export function airAround(air: readonly StayAir[]): AirHour[] {
  return air.flatMap(({ samples }) => samples);
}
