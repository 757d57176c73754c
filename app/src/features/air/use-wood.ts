import type { Instrument } from '@tembrin/contract';
import { useMemo, useState } from 'react';
import { useAssessment } from '@/state/assessments';
import { usePlaces } from '@/state/places';
import { usePreferences } from '@/state/preferences';
import { type AirPoint } from '@/ui/AirChart';
import { dateWords } from '@/copy/dates';
import { humidityWords } from '@/copy/measures';
import { woodOfInstrument, yearPoints } from './chart-points';
import { livesIn, useMoment } from './where';
import { DAY_MS, localDay, MINUTE_MS, WEEK_MS } from '@tembrin/core/time';
import { recordOf } from '@tembrin/core/instruments';
import { samplesOf, staysAir } from '@tembrin/core/air';
import { copy } from '@/copy/screens/air/wood';

const WEEKS_SHOWN = 13;

const TEN_MINUTES_MS = 10 * MINUTE_MS;

/** What thirteen weeks of air did to an instrument’s wood. */
export function useWood(instrument: Instrument) {
  const { log, air } = useAssessment(instrument);
  const places = usePlaces();
  const { lengths } = usePreferences();
  const moment = useMoment();
  const { nowMs, timeZone } = moment;
  const [moving, setMoving] = useState(false);
  const [chosen, setChosen] = useState<number | null>(null);
  const { verdict } = air!;
  const home = livesIn(log);
  const place = home?.placeId ? places.get(home.placeId) : undefined;
  const minute = Math.floor(nowMs / TEN_MINUTES_MS);
  const stays = useMemo(() => staysAir(log, places), [log, places]);
  const points = useMemo(() => {
    const today = localDay(nowMs, timeZone);
    const wood = woodOfInstrument(instrument, stays, minute * TEN_MINUTES_MS);
    const days = new Map(
      stays.flatMap(({ stay }) => {
        const record = stay.airOf ? places.get(stay.airOf)?.record : undefined;
        return (record?.days ?? [])
          .filter(({ at }) => at + DAY_MS > stay.from && at < stay.to)
          .map((day) => [day.day, day] as const);
      }),
    );
    return yearPoints([...days.values()], new Map(), today - WEEKS_SHOWN * 7, today + 1, timeZone, wood);
    // By the ten minutes: the wood is slower than that.
    // eslint-disable-next-line react-hooks/exhaustive-deps
  }, [instrument, stays, places, timeZone, minute]);
  const playedAt = (verdict.body && log.sessions.at(-1)?.beganAt) ?? nowMs;
  const reliefFirst = recordOf(instrument.family).fretted && playedAt <= nowMs - WEEK_MS;
  const words = ({ at, air: day, wood }: AirPoint) =>
    `${dateWords(at, nowMs, timeZone)}: ${day ? `air ${humidityWords(day.low)} to ${humidityWords(day.high)}` : 'nothing read'}${wood === null ? '' : copy.woodStandsAt(wood)}`;
  const point = chosen === null ? null : points[chosen];
  const ticks = [0, 4, 8, 12].map((week) => {
    const each = points[week * 7 + 3];
    return { at: each?.at ?? week, text: each ? dateWords(each.at, nowMs, timeZone) : '' };
  });
  const where = place
    ? `Lives in ${place.place.name}${home!.cased && place.place.kind === 'room' ? copy.inItsCase : ''}.`
    : home?.placeId === null
      ? copy.awayFromHome
      : home
        ? copy.thePlaceItLived
        : copy.nobodyHasSaidWhere;
  const canDo = place !== undefined && samplesOf(place.record).length > 0;
  return {
    lengths,
    moment,
    nowMs,
    timeZone,
    moving,
    setMoving,
    chosen,
    setChosen,
    verdict,
    home,
    place,
    points,
    playedAt,
    reliefFirst,
    words,
    point,
    ticks,
    where,
    canDo,
    instrument,
  };
}

export type WoodModel = ReturnType<typeof useWood>;
