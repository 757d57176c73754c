import { presetsFor } from '../sets';
import { airOfStays, airVerdict, staysOf, woodParts } from '../air';
import {
  CORES,
  FAMILIES,
  familiesWith,
  isBowed,
  kindsOf,
  layoutOf,
  plainString,
  recordOf,
  schoolsFor,
  sizesOf,
  stringNames,
  usualFacts,
  variantOf,
  withLayout,
  type Family,
  type InstrumentFacts,
  type Kind,
} from '../instruments';
import { EVENT_TYPES, meaningOf } from '../log';
import { dueOf, isDated, PART_IDS, partOf, partsOf } from '../parts';
import { closingRound, openingRound, packingRound } from '../routines';
import { changeJob, openStrings, setPull, stringLife, usualCreep } from '../strings';
import { scribe } from '../testing/events';
import { NOW, situation } from '../testing/situations';
import { DAY_MS, HOUR_MS } from '../time';

/** Everything there is of a kind, walked: what is missing for one of them fails here, where no type can tell. */
const kinds: [string, Family, Kind | null][] = FAMILIES.flatMap((family): [string, Family, Kind | null][] => {
  const named = kindsOf(family);
  return named.length === 0 ? [[family, family, null]] : named.map((kind) => [`${kind} ${family}`, family, kind]);
});
const factsOf = (family: Family, kind: Kind | null): InstrumentFacts => usualFacts(family, kind);

describe('every type of event', () => {
  test.each(EVENT_TYPES)('%s is folded, or says why it leaves no trace', (type) => {
    const { fold } = meaningOf({ type });
    expect(typeof fold === 'function' || fold.nothing.length > 0).toBe(true);
  });

  test('belongs to a part, a session, a round or a record, and parts name only types that there are', () => {
    for (const id of PART_IDS) for (const type of partOf(id).events) expect(EVENT_TYPES).toContain(type);
  });
});

describe.each(kinds)('a %s', (_name, family, kind) => {
  const facts = factsOf(family, kind);
  const variant = variantOf({ family, kind });

  test('is its own: no figure is another family’s', () => {
    expect(Object.values(recordOf(family).variants)).toContain(variant);
    expect(facts.stringCount).toBe(variant.stringCount);
  });

  test('has a note, a length and a pull for each string, in each size', () => {
    for (const size of sizesOf(family).length === 0 ? [null] : sizesOf(family)) {
      const open = openStrings({ ...facts, size });
      expect(open).toHaveLength(facts.stringCount);
      for (const { hz, lengthMm } of open) {
        expect(hz).toBeGreaterThan(20);
        expect(lengthMm).toBeGreaterThan(40);
      }
    }
  });

  test('has a life for every core', () => {
    for (const core of CORES) {
      const life = stringLife(family, kind, plainString(core, 0.5));
      expect(life.hours).toBeGreaterThan(0);
      expect(life.days).toBeGreaterThan(0);
    }
    expect(stringLife(family, kind)).toMatchObject(variant.lives[variant.usualCore]);
  });

  test.each(variant.layouts.map((layout) => [`${layout.title} from ${layout.notes[0]}`, layout] as const))(
    'of %s is known for what it is, with sets that pull within reason',
    (_title, layout) => {
      const strung = withLayout(facts, layout);
      expect(layoutOf(strung)).toBe(layout);
      const open = openStrings(strung);
      expect(open.map(({ note }) => note)).toEqual(layout.notes);
      const names = stringNames(strung);
      expect(new Set(names).size).toBe(layout.notes.length);
      const sets = presetsFor(strung, open);
      expect(sets.length).toBeGreaterThan(0);
      for (const { strings } of sets) {
        expect(strings).toHaveLength(open.length);
        const { pulls } = setPull(open.map((string, at) => ({ ...string, spec: strings[at]! })));
        for (const { tensionN } of pulls) {
          expect(tensionN).toBeGreaterThan(15);
          expect(tensionN).toBeLessThan(700);
        }
      }
    },
  );

  test.each(variant.layouts)('of $title is led through a change of its strings, each of them once', (layout) => {
    const strung = withLayout(facts, layout);
    const positions = Array.from({ length: strung.stringCount }, (_each, at) => at);
    const { order, blocks } = changeJob(strung, 'B', positions, () => null);
    expect([...order].sort((a, b) => a - b)).toEqual(positions);
    for (const { steps } of blocks) for (const { how } of steps) expect(how.length).toBeGreaterThan(0);
    expect(usualCreep(null).days).toBeGreaterThan(0);
  });

  test('is led through all three rounds', () => {
    const here = situation(facts);
    expect(closingRound(here).map(({ step }) => step)).toContain('wipe-strings');
    expect(openingRound(here).length).toBeGreaterThan(2);
    expect(packingRound(here).length).toBeGreaterThan(1);
    const bow = closingRound(here).some(({ step }) => step === 'slacken');
    expect(bow).toBe(isBowed(family));
  });

  test('has wood that follows its air, and is judged by it', () => {
    const parts = woodParts(facts);
    expect(parts.length).toBeGreaterThan(0);
    for (const { widthMm, bareDays, casedDays } of parts) {
      expect(widthMm).toBeGreaterThan(20);
      expect(casedDays).toBeGreaterThan(bareDays);
    }
    const hours = Array.from({ length: 40 * 24 }, (_each, at) => {
      const air = { rh: 0.28, low: 0.28, high: 0.28, tempC: 20 };
      return { at: NOW - (40 * 24 - at) * HOUR_MS, ...air };
    });
    const places = [{ id: 'room', kind: 'room' as const, roomId: null }];
    const stays = staysOf([{ at: 0, placeId: 'room', cased: false }], places, () => true, NOW);
    const air = airOfStays(stays, () => ({ days: [], hours }));
    const verdict = airVerdict({ facts, school: 'A', air, steady: null, ahead: [], nowMs: NOW });
    expect(verdict).toMatchObject({ state: 'act', side: 'dry' });
  });

  test('tells of every part it has, and of no other', () => {
    const { threads } = situation(facts, begun(facts));
    const told = threads.map(({ part }) => part);
    expect(new Set(told)).toEqual(new Set(partsOf(facts).filter((id) => id !== 'air')));
    for (const thread of threads) {
      if (!isDated(thread.part)) continue;
      const due = dueOf(thread.part);
      const context = situation(facts, begun(facts));
      expect(due.outlook(thread, context)).not.toBeNull();
      expect(due.title).toMatch(/^[A-Z]/);
    }
  });
});

/** Every part of an instrument begun a hundred days ago, by the entries that their records give. */
function begun(facts: InstrumentFacts) {
  const { event } = scribe();
  return partsOf(facts).flatMap((id) => {
    const entry = partOf(id).begun?.(true, false);
    return entry ? [event(entry.type, NOW - 100 * DAY_MS, entry.payload)] : [];
  });
}

test('what is asked when an instrument is added can be put on record', () => {
  for (const id of PART_IDS) if (partOf(id).askedAtFirst) expect(partOf(id).begun).not.toBeNull();
});

test('where nobody knows since when, the date is missing, not invented', () => {
  for (const family of familiesWith(() => true)) {
    const facts = usualFacts(family);
    const { event } = scribe();
    const events = partsOf(facts).flatMap((id) => {
      const entry = partOf(id).begun?.(false, true);
      return entry ? [event(entry.type, NOW - DAY_MS, entry.payload)] : [];
    });
    for (const { part, dateMissing } of situation(facts, events, schoolsFor(family)).threads)
      if (partOf(part).begun) expect([part, dateMissing]).toEqual([part, true]);
  }
});
