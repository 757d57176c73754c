import type { Household, Instrument } from '@tembrin/contract';
import { Redirect } from 'expo-router';
import { useState } from 'react';
import { Refused, sentenceOf } from '@/state/api';
import { changeHousehold, changeInstrument, refreshHousehold, useHousehold } from '@/state/household';
import { notify } from '@/state/notice';
import { present } from '@/state/persons';
import { Banner } from '@/ui/Banner';
import { Screen } from '@/ui/Screen';
import { useWide } from '@/ui/theme';
import { OptionFrame } from '@/ui/OptionFrame';
import { Text } from '@/ui/Text';
import { FAMILY_NAMES } from '@/copy/names';
import { listWords } from '@/copy/lists';
import { useRouteInstrument } from './route-instrument';
import { FAMILIES, schoolsOf, usualSide } from '@tembrin/core/instruments';
import { playersOf } from '@tembrin/core/assess';
import { agreedSchools, disputedSchools } from '@tembrin/core/people';
import { SCHOOL_DATA, sidesOf, type SchoolData, type SchoolId, type Side } from '@tembrin/core/schools';
import { Split, Stack } from '@/ui/layout';
import { copy } from '@/copy/screens/kit/schools';

/** A change that the server may refuse, with a way back. */
export function useSaving() {
  const [problem, setProblem] = useState<string | null>(null);
  const save = async (work: () => Promise<void>, back: () => Promise<void>) => {
    setProblem(null);
    try {
      await work();
      notify('Changed.', async () => {
        await back().catch((error: unknown) => setProblem(sentenceOf(error)));
      });
    } catch (error) {
      if (error instanceof Refused && error.problem.status === 412) await refreshHousehold().catch(() => undefined);
      setProblem(sentenceOf(error));
    }
  };
  return { problem, save };
}

/** Route: the household's schools; each disagreement that concerns one of its instruments. */
export function HouseholdSchools() {
  const household = useHousehold((state) => state.household)!;
  const { problem, save } = useSaving();
  const families = new Set(household.instruments.map(({ family }) => family));
  const shown = FAMILIES.filter((family) => families.size === 0 || families.has(family));
  const ids = (Object.keys(SCHOOL_DATA) as SchoolId[]).filter((id) =>
    shown.some((family) => schoolsOf(family).includes(id)),
  );
  const { schools } = household;
  const choose = (id: SchoolId, side: Side | null) => {
    const { [id]: _dropped, ...others } = schools;
    const wanted = side === null ? others : { ...others, [id]: side };
    void save(
      () => changeHousehold({ schools: wanted }),
      () => changeHousehold({ schools }),
    );
  };
  return (
    <Screen title="Schools" back="/kit/household" broad>
      {problem !== null && <Banner tone="now" text={problem} />}
      <Text tone="quiet">{copy.practitionersDifferHereAnd}</Text>
      {ids.map((id) => {
        const concerned = shown.filter((family) => schoolsOf(family).includes(id));
        const usual = [...new Set(concerned.map((family) => usualSide(id, family)))];
        return (
          <School
            key={id}
            id={id}
            chosen={schools[id] ?? (usual.length === 1 ? usual[0]! : null)}
            usual={usual.length === 1 ? usual[0]! : null}
            note={concerned.length === shown.length ? null : listWords(concerned.map((family) => FAMILY_NAMES[family]))}
            onChoose={(side) => choose(id, side)}
          />
        );
      })}
    </Screen>
  );
}

/** Route: the schools of one instrument, where they may differ from the household's. */
export function InstrumentSchools() {
  const household = useHousehold((state) => state.household)!;
  const instrument = useRouteInstrument();
  return instrument ? <OwnSchools household={household} instrument={instrument} /> : <Redirect href="/kit" />;
}

function OwnSchools({ household, instrument }: { household: Household; instrument: Instrument }) {
  const { problem, save } = useSaving();
  const { id, version: _version, addedAt: _addedAt, ...facts } = instrument;
  const players = playersOf(id, present(household));
  const [agreed, disputed] = [agreedSchools(players), disputedSchools(players)];
  const followed = (school: SchoolId, usual: Side): Followed => {
    const [theirs, all] = [agreed[school], household.schools[school] ?? usual];
    return theirs ? { side: theirs, title: copy.asWhoPlaysIt(theirs) } : { side: all, title: copy.asTheHousehold(all) };
  };
  const current = () => useHousehold.getState().household!.instruments.find((each) => each.id === id)!;
  const choose = (school: SchoolId, side: Side | null) => {
    const { [school]: _dropped, ...others } = facts.schools;
    const wanted = side === null ? others : { ...others, [school]: side };
    void save(
      () => changeInstrument(current(), { ...facts, schools: wanted }),
      () => changeInstrument(current(), facts),
    );
  };
  return (
    <Screen title="Schools" broad back={{ pathname: '/kit/[id]', params: { id } }}>
      {problem !== null && <Banner tone="now" text={problem} />}
      <Text tone="quiet">{copy.forAloneWhatYou(instrument.name)}</Text>
      {schoolsOf(instrument.family).map((school) => {
        const usual = usualSide(school, instrument.family);
        return (
          <School
            key={school}
            id={school}
            chosen={facts.schools[school] ?? null}
            usual={usual}
            followed={followed(school, usual)}
            note={disputed.includes(school) ? copy.theyDiffer(listWords(players.map(({ name }) => name))) : null}
            onChoose={(side) => choose(school, side)}
          />
        );
      })}
    </Screen>
  );
}

/** What holds where nothing is chosen. */
export interface Followed {
  side: Side;
  title: string;
}

interface SchoolProps {
  id: SchoolId;
  /** null: as what is followed, where there is something to follow. */
  chosen: Side | null;
  usual: Side | null;
  /** What holds where nothing is chosen; left out on the household's own page. */
  followed?: Followed;
  note: string | null;
  onChoose: (side: Side | null) => void;
}

/** One disagreement: its question, its sides with their reasons, the usual one marked. */
export function School({ id, chosen, usual, followed, note, onChoose }: SchoolProps) {
  const wide = useWide();
  const { question, sides }: SchoolData = SCHOOL_DATA[id];
  return (
    <Stack role="radiogroup" aria-label={question} gap="small">
      <Text kind="heading" level={2}>
        {question}
      </Text>
      {note !== null && (
        <Text kind="small" tone="quiet">
          {note}
        </Text>
      )}
      {followed && (
        <SideChoice
          title={followed.title}
          why={sides[followed.side]?.does ?? ''}
          on={chosen === null}
          onPress={() => onChoose(null)}
        />
      )}
      <Split gap="small">
        {sidesOf(id).map((side) => (
          <Stack key={side} grow={wide}>
            <SideChoice
              title={`${side}: ${sides[side]!.does}${side === usual ? ' (usual)' : ''}`}
              why={sides[side]!.why}
              on={chosen === side}
              onPress={() => onChoose(side)}
            />
          </Stack>
        ))}
      </Split>
    </Stack>
  );
}

function SideChoice({ title, why, on, onPress }: { title: string; why: string; on: boolean; onPress: () => void }) {
  return (
    <OptionFrame chosen={on} label={`${title}. ${why}`} onPress={onPress}>
      <Text kind={on ? 'strong' : 'body'}>{title}</Text>
      <Text kind="small" tone="quiet">
        {why}
      </Text>
    </OptionFrame>
  );
}
