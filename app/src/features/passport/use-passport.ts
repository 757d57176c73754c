import type { Instrument, Paper } from '@tembrin/contract';
import { useState } from 'react';
import { useCards } from '@/state/cards';
import { useAir } from '@/state/air';
import { usePlaces } from '@/state/places';
import { notify } from '@/state/notice';
import { usePreferences } from '@/state/preferences';
import { passportDocument, passportSections } from '@/copy/passport';
import { copy } from '@/copy/screens/kit/passport';
import { instrumentAir } from '@tembrin/core/air';
import type { Assessment } from '@tembrin/core/assess';
import { PASSPORT_BOUNDS, passportOf } from '@tembrin/core/passport';
import { download } from '../files/files';
import { useAsking } from '../asking';

/** The whole life of an instrument, on the page and on paper. */
export function usePassport(instrument: Instrument, assessment: Assessment<Instrument>) {
  const { log, schools } = assessment;
  const places = usePlaces();
  const identity = useCards('identity').findLast(({ facts }) => facts.instrumentId === instrument.id) ?? null;
  const lengths = usePreferences((state) => state.lengths);
  const [value, setValue] = useState<'no' | 'yes'>('no');
  const [paper, setPaper] = useState<Paper>('a4');
  const { busy, ask } = useAsking();
  // A life without its air would be wrong in silence.
  const airComing = useAir((state) => state.air === null);
  const { samples } = instrumentAir(instrument, schools.air, log, places);
  const passport = passportOf(assessment, samples);
  const said = {
    nowMs: log.nowMs,
    timeZone: log.timeZone,
    instrument,
    lengths,
    identity: identity?.facts ?? null,
    value: value === 'yes',
  };
  const sections = passportSections(passport, said);
  const seen = passport.views.filter((each) => each.seen !== null).length;
  return {
    instrument,
    passport,
    identity,
    sections,
    seen,
    left: Math.max(0, passport.photos.length + seen - PASSPORT_BOUNDS.photos),
    value,
    setValue,
    paper,
    setPaper,
    busy,
    airComing,
    print: () =>
      void ask(async () => {
        const body = { paper, passport: passportDocument(passport, sections, said) };
        await download('printPassport', { params: { id: instrument.id }, body });
        notify(copy.printed);
      }),
  };
}
export type PassportModel = ReturnType<typeof usePassport>;
