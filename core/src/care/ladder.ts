import { recordOf, type FamilyRecord, type InstrumentFacts } from '../instruments';
import type { Schools } from '../schools';
import type { WipeId, ZoneResidue } from './residue';

export type RungNumber = 1 | 2 | 3 | 4;

/** A rung of the residue ladder: the mildest way that still works [handbook 2, residue ladder]. */
export interface Rung {
  rung: RungNumber;
  /** What to do, and with what. */
  does: string;
  caution: string | null;
  /** Not for home: it goes on the list for the workshop. */
  workshop: boolean;
}

type Ladder = FamilyRecord['ladder'];

const DRY: Readonly<Record<Ladder, string>> = {
  bowed: 'A dry soft cotton or microfibre cloth.',
  guitar: 'A dry cloth.',
  harp: 'A soft dry cloth; a stiff artist’s brush in corners.',
};
const SPIRIT: Rung = {
  rung: 2,
  does: 'A little spirit on the cloth, never on the string, with the cloth held away from the instrument.',
  caution: 'Not one drop on wood or varnish. Spirit is flammable: air the room, no flame.',
  workshop: false,
};
const CLEANER: Rung = {
  rung: 3,
  does: 'Instrument cleaner on the cloth, small circles, buffed with a clean part. Try it first where it does not show.',
  caution: 'Never on neck, fingerboard or strings. If it does not come off, stop: it is for the workshop.',
  workshop: false,
};
const WORKSHOP: Rung = {
  rung: 4,
  does: 'Leave it to the workshop: what has caked comes off there without hurting the varnish.',
  caution: 'Rubbing it at home takes varnish along. Ask a qualified luthier.',
  workshop: true,
};
const OFF_WITH_STRINGS: Rung = {
  rung: 4,
  does: 'Nothing brings these strings back: new ones, at the next change.',
  caution: null,
  workshop: false,
};

type Pair = (facts: InstrumentFacts, schools: Schools) => [settling: Rung, caked: Rung];
/** What loosens settling residue, and the rung after it for caked; varnished wood where nothing is said. */
const LADDER: Readonly<Record<Ladder, Readonly<Partial<Record<WipeId, Pair>>>>> = {
  bowed: {
    'wipe-strings': () => [SPIRIT, OFF_WITH_STRINGS],
  },
  guitar: {
    'wipe-hands': ({ setUp }) =>
      setUp.finish === 'valuable'
        ? [dry('guitar', 'An old or valuable finish: nothing but a dry cloth at home.'), WORKSHOP]
        : [
            {
              rung: 2,
              does: 'A cleaner made for this finish, on the cloth.',
              caution: 'Never sprayed onto the instrument, never on strings or fretboard.',
              workshop: false,
            },
            {
              rung: 4,
              does: 'Polish made for guitars, off strings and fretboard, buffed.',
              caution: 'If it does not come off, leave it to a technician.',
              workshop: false,
            },
          ],
    'wipe-strings': () => [
      dry('guitar', 'Strings that stay dark after wiping are on their way out.'),
      OFF_WITH_STRINGS,
    ],
  },
  harp: {
    'wipe-hands': ({ setUp }) =>
      setUp.finish === 'valuable'
        ? [dry('harp', 'An old or valuable finish: nothing but a dry cloth at home.'), WORKSHOP]
        : [
            {
              rung: 2,
              does: 'A barely damp cloth, then dry at once.',
              caution: 'Not on bare wood, strings or the action.',
              workshop: false,
            },
            {
              rung: 3,
              does: 'Damp cloth again after a rest; then a drop of mild soap, a rinse cloth, and dry at once.',
              caution: 'If it does not come off, leave it to a harp technician.',
              workshop: false,
            },
          ],
    'wipe-strings': () => [dry('harp', 'Nothing wet on harp strings.'), OFF_WITH_STRINGS],
  },
};

function dry(kind: Ladder, caution: string | null = null): Rung {
  return { rung: 1, does: DRY[kind], caution, workshop: false };
}

function onWood({ setUp }: InstrumentFacts, schools: Schools): [Rung, Rung] {
  const cleaner = schools.cleaner === 'B' && setUp.finish !== 'valuable';
  return [
    cleaner ? CLEANER : dry('bowed', 'As much as comes off dry, without rubbing; the rest is for the workshop.'),
    WORKSHOP,
  ];
}

/**
 * The mildest rung of the ladder that will still work on what lies on a zone.
 * @returns null when nothing lies there
 */
export function rungFor(
  facts: InstrumentFacts,
  schools: Schools,
  { step, state }: Pick<ZoneResidue, 'step' | 'state'>,
): Rung | null {
  const kind = recordOf(facts.family).ladder;
  if (state === 'clean') return null;
  if (state === 'fresh') return dry(kind);
  const [settling, caked] = (LADDER[kind][step] ?? onWood)(facts, schools);
  return state === 'settling' ? settling : caked;
}

/** Zones whose residue is work for the workshop, for the next visit. */
export function workshopZones(facts: InstrumentFacts, schools: Schools, zones: readonly ZoneResidue[]): ZoneResidue[] {
  return zones.filter((zone) => rungFor(facts, schools, zone)?.workshop);
}
