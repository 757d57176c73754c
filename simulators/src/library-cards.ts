import {
  type appointmentSchema,
  type Contact,
  type BowFacts,
  dateOfDay,
  localDay,
  loanSchema,
  occasionSchema,
  openStrings,
  type ownSetSchema,
  presetsFor,
  priceSchema,
  spareSchema,
  type InstrumentFacts,
  type Loan,
  type Occasion,
  type Price,
  type Spare,
} from '@tembrin/core';
import type * as z from 'zod';
import type { Chance } from './chance';

/** Things the library keeps on cards, as its household would have written them. */
export type DemoCard = { id: string } & (
  | { kind: 'spare'; facts: Spare }
  | { kind: 'occasion'; facts: Occasion }
  | { kind: 'price'; facts: Price }
  | { kind: 'set'; facts: z.infer<typeof ownSetSchema> }
  | { kind: 'appointment'; facts: z.infer<typeof appointmentSchema> }
  | { kind: 'bow'; facts: BowFacts }
  | { kind: 'contact'; facts: Contact }
  | { kind: 'loan'; facts: Loan }
);

type Owned = InstrumentFacts & { id: string; name: string };

/** What the library pays, in its own currency: strings fitted by itself, hair and checkups in the workshop. */
const PRICES: readonly (readonly [name: string, part: Price['part'], by: Price['by'], low: number, high: number])[] = [
  ['Heron', 'strings', 'self', 48, 62],
  ['Heron', 'strings', 'workshop', 68, 84],
  ['Heron', 'hair', 'workshop', 55, 70],
  ['Heron', 'checkup', 'workshop', 30, 60],
  ['Wren', 'strings', 'teacher', 25, 30],
  ['Wren', 'hair', 'workshop', 45, 55],
  ['Bittern', 'strings', 'self', 120, 160],
  ['Bittern', 'hair', 'workshop', 60, 80],
  ['Plover', 'strings', 'self', 9, 14],
  ['Plover', 'strings', 'workshop', 29, 36],
  ['Dunlin', 'strings', 'self', 8, 12],
  ['Curlew', 'strings', 'self', 65, 80],
];

/** Whom the library calls; numbers are of those kept free for stories. */
export const CONTACTS: readonly Contact[] = [
  {
    title: 'Gull and Halyard',
    role: 'workshop',
    phones: ['+44 1632 960123'],
    emails: ['hello@example.org'],
    address: '4 Rope Walk',
    note: 'Closed on Mondays.',
  },
  { title: 'Ines, who teaches', role: 'teacher', phones: ['+44 1632 960170'], emails: [], address: '', note: '' },
];

/** A guitar that is out longer than was said. @param date a day so many days from today */
const lentOut = (instrumentId: string, date: (days: number) => string): Loan =>
  loanSchema.parse({
    instrumentId,
    personId: null,
    to: 'Oskar',
    reached: null,
    from: date(-120),
    until: date(-9),
    along: ['Case', 'Strap'].map((title) => ({ title, back: null })),
    strings: 'borrower',
    note: 'Back before the winter concert.',
    back: null,
  });

/** Spares, occasions, a loan and prices of the library, around today. */
export function libraryCards(
  instruments: readonly Owned[],
  nowMs: number,
  timeZone: string,
  chance: Chance,
): DemoCard[] {
  const today = localDay(nowMs, timeZone);
  const named = (name: string) => instruments.find((instrument) => instrument.name === name)!;
  const date = (days: number) => dateOfDay(today + days);
  const id = () => chance.id(nowMs);
  const set = (name: string, preset: string) => {
    const facts = named(name);
    return presetsFor(facts, openStrings(facts)).find((each) => each.id === preset)!.strings;
  };
  const spare = (
    name: string,
    title: string,
    positions: readonly number[],
    specs: Spare['specs'],
    quantity: number,
    boughtDaysAgo: number,
  ): DemoCard => {
    const { family, kind } = named(name);
    const facts = { title, family, kind, positions: [...positions], specs, quantity, boughtOn: date(-boughtDaysAgo) };
    return { id: id(), kind: 'spare', facts: spareSchema.parse(facts) };
  };
  const occasion = (title: string, kind: Occasion['kind'], name: string | null, from: number, to = from): DemoCard => ({
    id: id(),
    kind: 'occasion',
    facts: occasionSchema.parse({
      title,
      kind,
      instrumentId: name && named(name).id,
      spans: [{ from: date(from), to: date(to) }],
      source: null,
    }),
  });
  const light = set('Plover', 'steel-light');
  const medium = set('Plover', 'steel-medium');
  const violin = set('Heron', 'violin-synthetic-medium');
  const harp = set('Tern', 'harp-lever-gut');
  return [
    spare('Heron', 'Violin E, plain steel', [3], [violin[3]!], 2, 120),
    spare('Heron', 'Medium synthetic set', [0, 1, 2, 3], [...violin], 1, 40),
    spare('Plover', 'Light set .012–.053', [0, 1, 2, 3, 4, 5], [...light], 2, 60),
    spare('Plover', 'Medium set .013–.056', [0, 1, 2, 3, 4, 5], [...medium], 1, 200),
    spare(
      'Tern',
      'Harp, fourth octave',
      [15, 16, 17, 18],
      [15, 16, 17, 18].map((at) => harp[at]!),
      1,
      1700,
    ),
    occasion('Quay concert', 'performance', 'Heron', 12),
    occasion('Spring recital', 'performance', null, 96, 97),
    occasion('Grade exam', 'exam', 'Wren', 40),
    occasion('Library closed', 'holiday', null, 150, 170),
    { id: id(), kind: 'loan', facts: lentOut(named('Dunlin').id, date) },
    ...PRICES.map(([name, part, by, low, high]): DemoCard => ({
      id: id(),
      kind: 'price',
      facts: priceSchema.parse({ part, by, instrumentId: named(name).id, low, high }),
    })),
  ];
}
