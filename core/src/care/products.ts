import { recordOf, type Family, type Surface } from '../instruments';
import type { Schools } from '../schools';

/** Kinds of products, told apart by what they do to an instrument. */
export const PRODUCTS = [
  'dry-cloth',
  'damp-cloth',
  'brush',
  'spirit',
  'instrument-cleaner',
  'mild-soap',
  'harp-polish',
  'guitar-polish',
  'fretboard-oil',
  'graphite',
  'grease',
  'furniture-polish',
  'car-wax',
  'silicone',
  'ammonia',
  'window-cleaner',
  'baby-wipes',
  'naphtha',
  'spray',
] as const;
export type Product = (typeof PRODUCTS)[number];

export const SURFACE_NAMES: Readonly<Record<Surface, string>> = {
  varnish: 'Varnish',
  lacquer: 'Lacquer or hard finish',
  'bare-wood': 'Bare wood',
  fretboard: 'Fingerboard or fretboard',
  'plain-strings': 'Plain strings',
  'wound-strings': 'Wound strings',
  hair: 'Bow hair',
  hardware: 'Metal parts',
  'harp-body': 'Harp body',
};

export const PRODUCT_NAMES: Readonly<Record<Product, string>> = {
  'dry-cloth': 'Dry soft cloth',
  'damp-cloth': 'Barely damp cloth',
  brush: 'Stiff artist’s brush, dry',
  spirit: 'Spirit (rubbing alcohol)',
  'instrument-cleaner': 'Instrument cleaner',
  'mild-soap': 'Mild or dish soap, a drop',
  'harp-polish': 'Instrument polish',
  'guitar-polish': 'Guitar polish',
  'fretboard-oil': 'Fretboard oil',
  graphite: 'Graphite from a pencil',
  grease: 'A trace of grease',
  'furniture-polish': 'Furniture polish',
  'car-wax': 'Car wax',
  silicone: 'Anything with silicone',
  ammonia: 'Anything with ammonia',
  'window-cleaner': 'Window cleaner',
  'baby-wipes': 'Baby wipes',
  naphtha: 'Naphtha (lighter fluid)',
  spray: 'Anything sprayed on',
};

export interface Allowance {
  verdict: 'allowed' | 'only-so' | 'never';
  /** How, if it is allowed only so; otherwise why. */
  reason: string;
}

const allowed = (reason: string): Allowance => ({ verdict: 'allowed', reason });
const onlySo = (reason: string): Allowance => ({ verdict: 'only-so', reason });
const never = (reason: string): Allowance => ({ verdict: 'never', reason });

interface ProductData {
  /** What holds wherever nothing else is said. */
  elsewhere: Allowance;
  on: Readonly<Partial<Record<Surface, Allowance>>>;
}

const HAIR_OIL = 'Anything on the hair but rosin makes it slip and brings the rehair forward.';

/** The ladder and the never-list by product and surface [handbook 2, 4, 5]. */
const PRODUCT_DATA: Readonly<Record<Product, ProductData>> = {
  'dry-cloth': {
    elsewhere: allowed('The first rung everywhere: soft cotton or microfibre, every time.'),
    on: {
      'plain-strings': allowed('A fresh fold for each string, along the string, one way.'),
      'wound-strings': allowed('A fresh fold for each string, along the string, one way.'),
      hair: never('A cloth carries skin oil onto the hair, and it slips. Rosined hair is left alone.'),
      'bare-wood': allowed('Lightly, with the grain; bare wood takes dirt in if it is rubbed.'),
    },
  },
  'damp-cloth': {
    elsewhere: never('Water harms varnish and swells wood.'),
    on: {
      'harp-body': onlySo('Barely damp, when a dry cloth no longer does it; dry at once.'),
      lacquer: onlySo('Barely damp, on an unbroken modern finish; dry at once.'),
      hardware: onlySo('Barely damp; dry at once, or it rusts.'),
      'plain-strings': never('Water corrodes strings.'),
      'wound-strings': never('Water creeps under the winding and stays there.'),
    },
  },
  brush: {
    elsewhere: never('Stiff bristles scratch a finish.'),
    on: {
      hardware: allowed('Pins, discs, levers and corners: dust and grease gum the action.'),
      'harp-body': onlySo('In corners only; on the flat a soft cloth.'),
      hair: never(HAIR_OIL),
    },
  },
  spirit: {
    elsewhere: never('Spirit dissolves varnish and lacquer at a touch.'),
    on: {
      'plain-strings': onlySo(
        'Bowed strings only: a little on the cloth, the cloth away from the instrument, not a drop on wood. Flammable: no flame.',
      ),
      'wound-strings': onlySo(
        'Bowed strings only: a little on the cloth, the cloth away from the instrument, not a drop on wood. Flammable: no flame.',
      ),
      'bare-wood': never('It soaks in and runs on under the varnish.'),
      fretboard: never('It dries the wood, and one drop beyond its edge takes the varnish.'),
      hair: never('Hair goes brittle, and what drips reaches the stick’s varnish.'),
    },
  },
  'instrument-cleaner': {
    elsewhere: never('It is made for varnish, and leaves a film on everything else.'),
    on: {
      varnish: onlySo(
        'On the cloth, never on the wood; small circles, tried first where it does not show, buffed clean. Not on the neck.',
      ),
      lacquer: onlySo('One made for this finish, on the cloth.'),
      fretboard: never('Never on neck, fingerboard or strings.'),
      'plain-strings': never('Never on strings: the film stays and the bow slips.'),
      'wound-strings': never('Never on strings: the film stays under the winding.'),
      'bare-wood': never('Bare wood drinks it. That is for the workshop.'),
      hair: never(HAIR_OIL),
      'harp-body': never('A harp is cleaned dry, then barely damp; polish at most once a year.'),
    },
  },
  'mild-soap': {
    elsewhere: never('Soap and water have no place there.'),
    on: {
      'harp-body': onlySo('After dry and damp did not do it: a drop on a damp cloth, a rinse cloth, dry at once.'),
      hair: onlySo('Only at a dirty end: a trace on a cloth, hair only, dried before the bow is tightened.'),
    },
  },
  'harp-polish': {
    elsewhere: never('Polish fills and softens what it was not made for.'),
    on: {
      'harp-body': onlySo('At most once a year, a coin-sized amount, left to haze, buffed, off the strings.'),
      'plain-strings': never('Never polish on strings.'),
      'wound-strings': never('Never polish on strings.'),
      fretboard: never('Never polish on a fingerboard.'),
      varnish: never('Varnish is the luthier’s to polish.'),
      hair: never(HAIR_OIL),
    },
  },
  'guitar-polish': {
    elsewhere: never('It is made for guitar finishes alone.'),
    on: {
      lacquer: onlySo('Polish made for guitars, on the cloth, off strings and fretboard.'),
      'plain-strings': never('Never polish on strings.'),
      'wound-strings': never('Never polish on strings.'),
      fretboard: never('Never polish on a fretboard.'),
      hair: never(HAIR_OIL),
    },
  },
  'fretboard-oil': {
    elsewhere: never('Oil gums, darkens and does not come out again.'),
    on: {
      fretboard: onlySo('A guitar’s, only to clean it, once or twice a year at a string change. It adds no moisture.'),
      hair: never(HAIR_OIL),
      'plain-strings': never('Oil deadens a string and holds dirt.'),
      'wound-strings': never('Oil creeps under the winding and deadens it.'),
    },
  },
  graphite: {
    elsewhere: never('It smears and cannot be wiped off.'),
    on: {
      fretboard: onlySo('In the grooves of the nut, and of the bridge, when a string is changed.'),
    },
  },
  grease: {
    elsewhere: never('Grease stains wood and makes hair and strings useless.'),
    on: {
      hardware: onlySo('On the thread of a stiff fine tuner or a bow screw: a trace, off the wood.'),
      hair: never(HAIR_OIL),
    },
  },
  'furniture-polish': { elsewhere: never('Made for tables: silicone and oils that no varnish gets rid of.'), on: {} },
  'car-wax': { elsewhere: never('It fills the pores for good; the next repair will not hold.'), on: {} },
  silicone: { elsewhere: never('It creeps into every seam, and neither glue nor varnish holds on it.'), on: {} },
  ammonia: { elsewhere: never('It attacks varnish, lacquer and metal.'), on: {} },
  'window-cleaner': { elsewhere: never('Ammonia or spirit, and water: all three harm a finish.'), on: {} },
  'baby-wipes': { elsewhere: never('Wet, with oils and soap that stay behind.'), on: {} },
  naphtha: {
    elsewhere: never('It lifts thin finishes and is highly flammable.'),
    on: {
      fretboard: never('It dries the wood.'),
      'bare-wood': never('It dries the wood.'),
    },
  },
  spray: {
    elsewhere: never('Liquid sprayed on runs into seams, f-holes and pickups. Whatever it is goes on the cloth.'),
    on: {},
  },
};

/** Why spirit has no place on strings that carry no rosin; null where it has. */
const NO_SPIRIT = {
  bowed: null,
  harp: 'Gut and nylon do not stand spirit, and rosin never reaches a harp.',
  guitar: 'No rosin to dissolve there; a dry cloth does it, and one drop ruins the finish.',
} as const;

/**
 * Whether a kind of product may be used on a surface: allowed, only in a stated way, or never; with the reason.
 * Schools are followed where they disagree: cleaner on varnish, soap at dirty hair.
 * @param facts `family` and `finish` of the instrument it is for; an old or valuable finish takes nothing but a dry cloth
 */
export function mayUse(
  product: Product,
  surface: Surface,
  facts: { family: Family; setUp: { finish: string } },
  schools: Pick<Schools, 'cleaner' | 'frogHair'>,
): Allowance {
  const { on, elsewhere } = PRODUCT_DATA[product];
  const found = on[surface] ?? elsewhere;
  if (found.verdict === 'never') return found;
  const finish = surface === 'varnish' || surface === 'lacquer' || surface === 'harp-body';
  if (finish && facts.setUp.finish === 'valuable' && product !== 'dry-cloth')
    return never('This finish is old or valuable: dry at home, and ask a qualified luthier for more.');
  const { ladder } = recordOf(facts.family);
  const spirit = NO_SPIRIT[ladder];
  if (product === 'spirit' && spirit) return never(spirit);
  if (product === 'instrument-cleaner' && surface === 'varnish' && schools.cleaner === 'A')
    return never('By your school: dry only, and the rest is for the workshop.');
  if (product === 'mild-soap' && surface === 'hair' && schools.frogHair === 'A')
    return never('By your school: dirty hair is left to the rehair.');
  if (product === 'fretboard-oil' && ladder !== 'guitar')
    return never('A bowed fingerboard is ebony worn by fingers alone: a dry cloth is enough.');
  return found;
}
