import { BOWED, FAMILIES, ON_ENDPIN, type Family, type Kind } from '../instruments';

/** Whom something concerns. */
export interface Concerns {
  families: readonly Family[];
  kinds?: readonly Kind[];
}

/** How a symptom comes to notice. */
export type Noticed = 'hearing' | 'seeing' | 'feel' | 'case';

interface Symptom extends Concerns {
  title: string;
  noticed: Noticed;
}

const ALL = { families: FAMILIES } as const;
const BOWS = { families: BOWED } as const;
const GUITAR = { families: ['guitar'] } as const;
const HARP = { families: ['harp'] } as const;
const STOOD = { families: ON_ENDPIN } as const;
const symptom = (title: string, noticed: Noticed, concerns: Concerns): Symptom => ({ title, noticed, ...concerns });

/** What people say is wrong, in their words [handbook 11]. */
export const SYMPTOMS = {
  'no-sound': symptom('The bow makes hardly any sound', 'hearing', BOWS),
  airy: symptom('Airy tone, the bow slips', 'hearing', BOWS),
  gritty: symptom('Rough and gritty, a cloud of dust', 'hearing', BOWS),
  squeals: symptom('The bow squeals', 'hearing', BOWS),
  whistles: symptom('The highest string whistles', 'hearing', { families: ['violin'] }),
  dull: symptom('Dull, slow to answer', 'hearing', ALL),
  false: symptom('One string sounds false', 'hearing', ALL),
  hollow: symptom('Suddenly different or hollow', 'hearing', ALL),
  'buzz-many': symptom('It buzzes on many notes', 'hearing', ALL),
  'buzz-one': symptom('It buzzes on one note', 'hearing', ALL),
  wolf: symptom('One note stutters or howls', 'hearing', STOOD),
  'creaks-tuning': symptom('It creaks when tuned', 'hearing', ALL),
  crackles: symptom('It crackles through the amplifier', 'hearing', { ...GUITAR, kinds: ['electric', 'bass-guitar'] }),
  'pegs-slip': symptom('The pegs slip', 'feel', BOWS),
  'pegs-stuck': symptom('A peg is stuck', 'feel', BOWS),
  'tuner-slips': symptom('A tuner slips or turns empty', 'feel', GUITAR),
  'flat-always': symptom('It goes flat all the time', 'hearing', ALL),
  'breaks-same': symptom('A string breaks at the same place', 'seeing', ALL),
  'bridge-off': symptom('The bridge leans or has moved', 'seeing', BOWS),
  crack: symptom('A crack, a gap, lifted varnish', 'seeing', ALL),
  wet: symptom('It got wet', 'seeing', ALL),
  'will-not-tighten': symptom('The bow will not tighten', 'feel', BOWS),
  'tight-at-rest': symptom('The bow is tight when it is slack', 'feel', BOWS),
  'stick-off': symptom('The stick is straight, or bent to a side', 'seeing', BOWS),
  'hair-black': symptom('The hair is black or slick', 'seeing', BOWS),
  'hair-breaks': symptom('Hair breaks or comes out', 'seeing', BOWS),
  'fine-tuner-end': symptom('A fine tuner turns no further', 'feel', BOWS),
  'endpin-slides': symptom('The endpin slides in', 'feel', STOOD),
  'after-lying': symptom('It plays differently after lying', 'feel', ALL),
  'fret-ends': symptom('The fret ends are sharp', 'feel', GUITAR),
  'strings-low': symptom('The strings lie low and rattle', 'feel', ALL),
  'strings-high': symptom('The strings are hard to press', 'feel', { families: [...BOWED, 'guitar'] }),
  'top-shape': symptom('The top has sunk or swollen', 'seeing', { families: ['guitar', 'harp'] }),
  seized: symptom('Screws or saddles are seized', 'feel', GUITAR),
  'action-buzz': symptom('A lever or disc buzzes', 'hearing', HARP),
  'sharpened-out': symptom('Out of tune when sharpened', 'hearing', HARP),
  'case-marks': symptom('In the case it was fine, now it is marked', 'case', ALL),
  'case-tune': symptom('In the case it was fine, now it is out of tune', 'case', ALL),
  hurts: symptom('Wrist, neck or shoulder hurts', 'feel', { families: [...BOWED, 'guitar'] }),
  'bow-feels': symptom('The bow feels wrong', 'feel', BOWS),
} as const satisfies Record<string, Symptom>;
export type SymptomId = keyof typeof SYMPTOMS;

/** Who can look: anyone; who plays; practised hands; never a post setter's work. */
export type Skill = 'child' | 'player' | 'practised';

interface Question<A extends string> extends Concerns {
  asks: string;
  /** What it costs, min, and what is needed for it. */
  minutes: number;
  tool: string | null;
  skill: Skill;
  /** It could do harm where it is done carelessly: asked after what cannot. */
  harm: boolean;
  /** It makes sense only where one of these was said. */
  only?: readonly SymptomId[];
  /** The answer that all is as it should be, in words. */
  fine: string;
  /** Answers that tell of something. */
  answers: Readonly<Record<A, string>>;
}

const look = <A extends string>(
  asks: string,
  minutes: number,
  concerns: Concerns,
  answers: Readonly<Record<A, string>>,
  {
    tool = null,
    skill = 'child',
    harm = false,
    fine = 'As it should be',
    only,
  }: Partial<Omit<Question<A>, 'asks' | 'minutes' | 'answers'>> = {},
): Question<A> => ({ asks, minutes, tool, skill, harm, fine, answers, ...(only && { only }), ...concerns });

const STOPS = { stops: 'The buzz stops' } as const;

/** What is looked at, listened to, tried [handbook 11, in the order practised people go; minutes from memory]. */
export const QUESTIONS = {
  'hair-white': look('Is the hair white with rosin?', 0.3, BOWS, { bare: 'Bare and shiny' }, { fine: 'White' }),
  cake: look(
    'Is the rosin cake dull and scuffed?',
    0.3,
    BOWS,
    { glossy: 'Smooth as glass' },
    { fine: 'Dull and scuffed' },
  ),
  'frog-black': look('Is the hair clean at the frog?', 0.3, BOWS, { black: 'Black or slick' }, { fine: 'Clean' }),
  gap: look(
    'How wide is the gap, tightened to play?',
    0.5,
    BOWS,
    {
      narrow: 'Narrower than a pencil',
      wide: 'Much wider',
    },
    { fine: 'As for playing' },
  ),
  'slips-where': look(
    'Where along the bow does it slip?',
    1,
    BOWS,
    { place: 'At one place', all: 'All along' },
    { fine: 'It does not slip', only: ['airy', 'no-sound', 'squeals'] },
  ),
  'other-bow': look(
    'Does it sound right with another bow?',
    2,
    BOWS,
    { right: 'With another it is right' },
    { fine: 'The same with another', tool: 'another bow' },
  ),
  'wiped-strings': look(
    'Wipe the strings. Is it better?',
    1,
    ALL,
    { better: 'Better' },
    { fine: 'No better', tool: 'a dry cloth' },
  ),
  'tapped-stick': look(
    'Slacken, tap the stick. Does dust fall?',
    0.5,
    BOWS,
    { cloud: 'A cloud' },
    { fine: 'Hardly any' },
  ),
  'nail-along': look(
    'A fingernail lightly along each string: even?',
    1,
    ALL,
    { rough: 'Rough or loose in a place' },
    { fine: 'Even' },
  ),
  post: look(
    'Through the f-hole on the thin strings’ side: does the post stand?',
    1,
    BOWS,
    { gone: 'It is gone or lies', leans: 'It leans' },
    { fine: 'It stands', tool: 'a torch', skill: 'player' },
  ),
  'bridge-side': look(
    'From the side: does the bridge stand square?',
    0.5,
    BOWS,
    {
      leans: 'It leans',
      warped: 'It is bent in itself',
    },
    { fine: 'Square' },
  ),
  'bridge-place': look(
    'Does the bridge stand between the notches?',
    0.5,
    BOWS,
    { moved: 'It has moved' },
    { fine: 'Between them' },
  ),
  'bridge-feet': look('Do the bridge’s feet lie flat?', 0.5, BOWS, { light: 'Light under a foot' }, { fine: 'Flat' }),
  knuckle: look(
    'Rap round the edge with a knuckle: one clear note?',
    2,
    ALL,
    { rattle: 'A buzz or a dull spot' },
    { fine: 'One clear note' },
  ),
  'seams-seen': look('Look along the seams: all closed?', 1, ALL, { gap: 'A gap' }, { fine: 'All closed' }),
  'chin-rest-touched': look('Hold the chin rest while it sounds.', 0.5, { families: ['violin', 'viola'] }, STOPS, {
    fine: 'It goes on',
    skill: 'player',
  }),
  'tuners-touched': look('Touch each fine tuner while it sounds.', 0.7, BOWS, STOPS, {
    fine: 'It goes on',
    skill: 'player',
  }),
  'tailpiece-touched': look('Touch the tailpiece while it sounds.', 0.5, BOWS, STOPS, {
    fine: 'It goes on',
    skill: 'player',
  }),
  'endpin-touched': look('Touch the endpin while it sounds.', 0.5, STOOD, STOPS, {
    fine: 'It goes on',
    skill: 'player',
  }),
  'mute-off': look('Take the mute off.', 0.3, BOWS, STOPS, { fine: 'It goes on' }),
  'rest-off': look('Take the shoulder rest off.', 0.5, { families: ['violin', 'viola'] }, STOPS, {
    fine: 'It goes on',
  }),
  'hardware-touched': look('Touch tuners, strap buttons, screws while it sounds.', 1, GUITAR, STOPS, {
    fine: 'It goes on',
  }),
  'other-string': look(
    'The same note on another string?',
    0.5,
    { families: [...BOWED, 'guitar'] },
    { clear: 'There it is clear' },
    { fine: 'There too' },
  ),
  'crack-where': look(
    'Where is it?',
    0.5,
    ALL,
    {
      seam: 'Along the edge',
      top: 'In the top, with the grain',
      post: 'At the post or under the bridge',
      neck: 'Where neck meets body',
    },
    { fine: 'None of these', skill: 'player', only: ['crack', 'case-marks'] },
  ),
  'neck-root': look('Is the neck’s root closed all round?', 0.5, ALL, { gap: 'A gap' }, { fine: 'Closed' }),
  'board-firm': look(
    'Does the fingerboard lie firm on the neck?',
    0.5,
    { families: [...BOWED, 'guitar'] },
    { lifts: 'It lifts at an end' },
    { fine: 'Firm', skill: 'player' },
  ),
  hygrometer: look(
    'What does the hygrometer say?',
    0.3,
    ALL,
    { dry: 'Under 35 %', damp: 'Over 65 %' },
    { fine: '35 to 65 %', tool: 'a hygrometer' },
  ),
  winding: look(
    'Is the string wound in order, and the peg pushed in?',
    0.5,
    BOWS,
    {
      badly: 'Over itself, or not pushed',
    },
    { fine: 'In order' },
  ),
  'peg-mark': look(
    'A mark on peg and head: has it turned after an hour?',
    60,
    BOWS,
    { turned: 'It has turned' },
    { fine: 'It has not', tool: 'a pencil' },
  ),
  'broke-where': look(
    'Where did it break?',
    0.3,
    ALL,
    {
      nut: 'At the nut',
      bridge: 'At the bridge',
      peg: 'At the peg or tuner',
      middle: 'In the middle',
    },
    { fine: 'Elsewhere', only: ['breaks-same'] },
  ),
  groove: look(
    'Is the groove smooth to the nail?',
    0.5,
    ALL,
    { sharp: 'It has an edge' },
    { fine: 'Smooth', skill: 'player' },
  ),
  graphite: look(
    'Graphite in the groove: does the creak stop?',
    3,
    ALL,
    { stops: 'It stops' },
    { fine: 'It goes on', tool: 'a pencil', skill: 'player', harm: true },
  ),
  'tuner-travel': look(
    'Has the fine tuner travel left?',
    0.3,
    BOWS,
    { end: 'It is at its end' },
    { fine: 'Some left' },
  ),
  'turns-to-gap': look(
    'Turns of the screw to the gap, against before?',
    0.5,
    BOWS,
    { more: 'Two more, or none left', fewer: 'Fewer; tight when slack' },
    { fine: 'As before', skill: 'player' },
  ),
  'frog-moves': look(
    'Does the frog move as the screw turns?',
    0.5,
    BOWS,
    { stays: 'It stays', empty: 'The screw turns empty' },
    { fine: 'It moves', skill: 'player' },
  ),
  'stick-sighted': look(
    'Slack, sighted from the frog: straight, and curved in?',
    0.5,
    BOWS,
    { side: 'Bent to a side', straight: 'No curve left' },
    { fine: 'Straight, curved in', skill: 'player' },
  ),
  'bow-tip': look('Is the tip of the bow whole?', 0.5, BOWS, { crack: 'A line across it' }, { fine: 'Whole' }),
  'grip-held': look('Do grip and winding of the bow sit firm?', 0.3, BOWS, { moves: 'They move' }, { fine: 'Firm' }),
  'band-seen': look('How wide is the band of hair?', 0.3, BOWS, { thin: 'Half, or a gap' }, { fine: 'Full' }),
  'string-height': look(
    'String height against the set-up sheet?',
    1,
    { families: [...BOWED, 'guitar'] },
    { lower: 'Lower', higher: 'Higher' },
    { fine: 'The same', tool: 'a ruler', skill: 'player' },
  ),
  'endpin-screw': look(
    'Does the endpin hold when its screw is tight?',
    0.5,
    STOOD,
    { slips: 'It slips' },
    { fine: 'It holds' },
  ),
  'rest-way': look(
    'Is the shoulder rest the right way round?',
    0.3,
    { families: ['violin', 'viola'] },
    { wrong: 'The other way' },
    { fine: 'The right way' },
  ),
  'heights-fit': look(
    'Do heights and endpin stand as on the set-up sheet?',
    1,
    { families: [...BOWED, 'guitar'] },
    { off: 'They do not, or it was outgrown' },
    { fine: 'They do' },
  ),
  relief: look(
    'String held at first and last fret: the gap at the eighth?',
    1,
    GUITAR,
    { none: 'None', wide: 'More than half a millimetre' },
    { fine: 'A little', skill: 'player' },
  ),
  'frets-pressed': look(
    'Press it fret by fret: where does it buzz?',
    2,
    GUITAR,
    {
      one: 'At one fret',
      first: 'Open only',
      all: 'All along',
    },
    { fine: 'Nowhere' },
  ),
  'fret-finger': look(
    'A finger along the edge of the neck: smooth?',
    0.3,
    GUITAR,
    { catch: 'It catches' },
    { fine: 'Smooth' },
  ),
  'bridge-paper': look(
    'Does a slip of paper go under the bridge?',
    0.5,
    { ...GUITAR, kinds: ['steel', 'classical'] },
    { goes: 'It does' },
    { fine: 'It does not', tool: 'paper' },
  ),
  'top-ruled': look(
    'A straight edge across the top: flat or a little arched?',
    1,
    { families: ['guitar', 'harp'] },
    { sunk: 'Sunk', swollen: 'Swollen' },
    { fine: 'Flat, or a little arched', tool: 'a ruler', skill: 'player' },
  ),
  'tuner-held': look(
    'Does the tuner hold, its screws tight?',
    0.5,
    GUITAR,
    { loose: 'Loose or empty' },
    { fine: 'It holds' },
  ),
  'plug-moved': look(
    'Move the plug: does it crackle?',
    0.3,
    { ...GUITAR, kinds: ['electric', 'bass-guitar'] },
    { crackles: 'It does' },
    { fine: 'No' },
  ),
  'screws-tried': look(
    'Do saddle screws turn without force?',
    1,
    GUITAR,
    { stuck: 'They do not' },
    { fine: 'They turn', tool: 'the right key', skill: 'player', harm: true },
  ),
  'levers-watched': look(
    'Watch each lever or disc as it grips.',
    2,
    HARP,
    {
      slips: 'It slips or is loose',
      worn: 'Its felt is worn through',
    },
    { fine: 'All grip' },
  ),
  'action-brushed': look(
    'Brush pins and discs dry; sound it again.',
    3,
    HARP,
    { better: 'Better' },
    { fine: 'No better', tool: 'a stiff brush' },
  ),
  'sharpened-each': look(
    'Each string open and sharpened: in tune?',
    8,
    HARP,
    { some: 'Some are out', all: 'All of a row are out' },
    { fine: 'In tune', tool: 'a tuner', skill: 'player' },
  ),
  'knot-seen': look(
    'Does a string’s end or knot touch the soundboard?',
    1,
    HARP,
    { touches: 'It does' },
    { fine: 'No' },
  ),
  'soundboard-seam': look(
    'The soundboard’s edge and middle strip: closed?',
    1,
    HARP,
    { gap: 'A gap' },
    { fine: 'Closed' },
  ),
  'wolf-pressed': look(
    'A knee against the body on that note: weaker?',
    0.5,
    STOOD,
    { weaker: 'Weaker' },
    { fine: 'No weaker', skill: 'player' },
  ),
  'case-loose': look(
    'Is anything loose in the case, a rest left on?',
    0.5,
    ALL,
    { loose: 'Something is' },
    { fine: 'Nothing' },
  ),
} as const satisfies Record<string, Question<string>>;
export type QuestionId = keyof typeof QUESTIONS;
type AnswerOf<Q extends QuestionId> = keyof (typeof QUESTIONS)[Q]['answers'] & string;

/** A sign: a symptom, or an answer that tells of something, as `question/answer`. */
export type SignId = SymptomId | { [Q in QuestionId]: `${Q}/${AnswerOf<Q>}` }[QuestionId];

/** Every sign. */
export const SIGNS: readonly SignId[] = [
  ...(Object.keys(SYMPTOMS) as SymptomId[]),
  ...(Object.keys(QUESTIONS) as QuestionId[]).flatMap((id) =>
    Object.keys(QUESTIONS[id].answers).map((answer) => `${id}/${answer}` as SignId),
  ),
];
