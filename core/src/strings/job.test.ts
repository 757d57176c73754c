import { changeJob, changeOrder, type ChangeWay } from './change/job';
import { PICTURES, type GuidedStep } from '../guided';
import { CHILD, EYES } from './change/step';
import { recordOf, usualFacts, plainString, type Family, type Kind } from '../instruments';

const KINDS: readonly (readonly [Family, Kind | undefined])[] = [
  ['violin', undefined],
  ['viola', undefined],
  ['cello', undefined],
  ['bass', undefined],
  ['guitar', 'steel'],
  ['guitar', 'classical'],
  ['guitar', 'electric'],
  ['harp', 'lever'],
  ['harp', 'pedal'],
];
const all = (count: number) => Array.from({ length: count }, (_, at) => at);
const jobOf = (family: Family, kind?: Kind, way: ChangeWay = 'B', positions?: number[], more: object = {}) => {
  const facts = { ...usualFacts(family, kind), ...more };
  return changeJob(facts, way, positions ?? all(facts.stringCount), () => null);
};
/** Ids of a block's steps, without the string's number. */
const ids = (steps: readonly GuidedStep[]) => steps.map(({ id }) => id.replace(/^\d+-/, ''));

describe.each(KINDS)('a change on a %s %s', (family, kind) => {
  const facts = usualFacts(family, kind);

  it.each(['A', 'B', 'C'] as const)('by way %s every step says what to do, and shows it', (way) => {
    const { blocks } = jobOf(family, kind, way);
    const steps = blocks.flatMap((block) => block.steps);
    expect(new Set(steps.map(({ id }) => id)).size).toBe(steps.length);
    for (const { id, title, how, caution, picture } of steps) {
      expect(id).toMatch(/^(\d+-)?[a-z-]+$/);
      expect([id, title]).toEqual([id, expect.stringMatching(/^[A-Z][^.]+$/)]);
      expect(how.length).toBeGreaterThan(0);
      for (const sentence of how) expect([id, sentence]).toEqual([id, expect.stringMatching(/^[A-Z0-9].{15,}\.$/)]);
      if (caution !== undefined) expect(caution).toMatch(/^[A-Z].{15,}\.$/);
      expect(PICTURES).toContain(picture);
      expect([id, picture === 'none']).toEqual([id, id === 'ready']);
    }
  });

  it('is made ready first, takes each string once, and is tuned all round at the end', () => {
    const { blocks, order } = jobOf(family, kind);
    expect(blocks.map(({ position }) => position)).toEqual([null, ...order, null]);
    expect([...order].sort((a, b) => a - b)).toEqual(all(facts.stringCount));
    expect(ids(blocks[0]!.steps)).toEqual(['ready']);
    expect(ids(blocks.at(-1)!.steps)[0]).toBe('all-round');
  });

  it('each string comes off before it goes on, and is brought up after', () => {
    const { blocks } = jobOf(family, kind);
    for (const { position, steps } of blocks.slice(1, -1)) {
      const own = ids(steps);
      expect(own.indexOf('off')).toBeGreaterThanOrEqual(0);
      const fit = { peg: 'peg', post: 'post', knot: 'knot' }[recordOf(family).strings.held];
      expect(own.indexOf(fit)).toBeGreaterThan(own.indexOf('off'));
      expect(own.indexOf('tune')).toBeGreaterThan(own.indexOf(fit));
      expect(own.includes('bridge')).toBe(facts.setUp.floatingBridge);
      expect(steps.every(({ id }) => id.startsWith(`${position}-`))).toBe(true);
    }
  });

  it('the one that can whip is said to, and only that one', () => {
    const { blocks } = jobOf(family, kind);
    const warned = blocks.slice(1, -1).filter(({ steps }) => steps.some(({ caution }) => caution === EYES));
    expect(warned.map(({ position }) => position)).toEqual([facts.stringCount - 1]);
    // A thick one alone is brought up without.
    const thick = jobOf(family, kind, 'B', [0]).blocks[1]!;
    expect(thick.steps.some(({ caution }) => caution === EYES)).toBe(false);
  });
});

describe('the way of a change', () => {
  it('spread over days or one after another as asked', () => {
    expect(jobOf('violin', undefined, 'A').way).toBe('A');
    expect(jobOf('violin', undefined, 'B')).toMatchObject({ way: 'B', refusedAllOff: false });
  });

  it('all off only where the bridge is fixed and the whole set is meant', () => {
    expect(jobOf('violin', undefined, 'C')).toMatchObject({ way: 'B', refusedAllOff: true });
    expect(jobOf('harp', 'lever', 'C')).toMatchObject({ way: 'B', refusedAllOff: true });
    const guitar = jobOf('guitar', 'classical', 'C');
    expect(guitar).toMatchObject({ way: 'C', refusedAllOff: false });
    expect(ids(guitar.blocks[0]!.steps)).toEqual(['ready', 'all-off', 'clean']);
    expect(guitar.blocks[0]!.steps[0]!.how[0]).toMatch(/All may come off/);
    for (const { steps } of guitar.blocks.slice(1, -1)) expect(ids(steps)).not.toContain('off');
    const some = jobOf('guitar', 'classical', 'C', [0, 1]);
    expect(some).toMatchObject({ way: 'B', refusedAllOff: false });
    expect(some.blocks[0]!.steps[0]!.how[0]).toMatch(/One string after another/);
    const setUp = { ...usualFacts('guitar', 'electric').setUp, floatingBridge: true };
    expect(jobOf('guitar', 'electric', 'C', undefined, { setUp }).refusedAllOff).toBe(true);
  });

  it('outside in, or from the lowest up where a family goes so', () => {
    expect(changeOrder({ family: 'violin' }, [3, 1, 0, 2])).toEqual([0, 3, 1, 2]);
    expect(changeOrder({ family: 'violin' }, [0, 1, 2])).toEqual([0, 2, 1]);
    expect(changeOrder({ family: 'violin' }, [2])).toEqual([2]);
    expect(changeOrder({ family: 'violin' }, [])).toEqual([]);
    const rising = KINDS.map(([family]) => family).filter((family) => recordOf(family).strings.order === 'rising');
    expect(rising).toContain('harp');
    expect(changeOrder({ family: 'harp' }, [3, 1, 2])).toEqual([1, 2, 3]);
  });
});

describe('what is said depends on what is there', () => {
  const steps = (
    family: Family,
    kind: Kind | undefined,
    position: number,
    spec: Parameters<typeof plainString> | null,
  ) => {
    const facts = usualFacts(family, kind);
    const job = changeJob(facts, 'B', [position], () => (spec ? plainString(...spec) : null));
    return job.blocks[1]!.steps;
  };
  const step = (list: readonly GuidedStep[], id: string) => list.find((each) => each.id.endsWith(`-${id}`));

  it('the protector goes under the thinnest string alone', () => {
    expect(step(steps('violin', undefined, 3, null), 'protector')).toBeDefined();
    expect(step(steps('violin', undefined, 2, null), 'protector')).toBeUndefined();
  });

  it('ends are named as they are', () => {
    const facts = usualFacts('violin');
    const anchor = (end: 'ball' | 'loop' | null) =>
      step(changeJob(facts, 'B', [3], () => ({ ...plainString('steel', 0.26), end })).blocks[1]!.steps, 'anchor')!
        .title;
    expect(anchor('loop')).toBe('The loop to the tailpiece');
    expect(anchor('ball')).toBe('The ball to the tailpiece');
    expect(anchor(null)).toBe('Ball or loop to the tailpiece');
  });

  it('a classical guitar is tied, another has a ball', () => {
    expect(step(steps('guitar', 'classical', 0, null), 'anchor')!.how[0]).toMatch(/tucked/);
    expect(step(steps('guitar', 'steel', 0, null), 'anchor')!.how[0]).toMatch(/^Ball seated/);
  });

  it('slack for the wraps is told with its working', () => {
    const facts = usualFacts('guitar', 'steel');
    const post = step(steps('guitar', 'steel', 0, null), 'post')!;
    const slack = Math.round(3.5 * Math.PI * facts.stringing.postMm);
    expect(post.title).toBe(`Leave ${slack} mm of slack`);
    expect(post.how[0]).toContain(`3.5 × π × ${facts.stringing.postMm} = ${slack} mm`);
  });

  it('a harp’s wire has its own end, its gut is knotted', () => {
    expect(step(steps('harp', 'lever', 0, ['steel', 0.4]), 'knot')!.how[0]).toMatch(/own end/);
    expect(step(steps('harp', 'lever', 20, ['gut', 0.6]), 'knot')!.how[0]).toMatch(/double knot/);
    expect(step(steps('harp', 'lever', 20, null), 'knot')!.how[0]).toMatch(/double knot/);
  });

  it('for a child an adult does it', () => {
    const facts = usualFacts('violin');
    const child = { ...facts, setUp: { ...facts.setUp, player: 'child' as const } };
    expect(changeJob(child, 'B', [0], () => null).blocks[0]!.steps[0]!.caution).toBe(`${CHILD} ${EYES}`);
    expect(changeJob(facts, 'B', [0], () => null).blocks[0]!.steps[0]!.caution).toBe(EYES);
  });

  it('ends are cut where they stand out, and stretched where there is a fretboard to stretch over', () => {
    const last = (family: Family, kind?: Kind) => ids(jobOf(family, kind).blocks.at(-1)!.steps);
    expect(last('guitar', 'steel')).toEqual(['all-round', 'cut']);
    expect(last('violin')).toEqual(['all-round']);
    expect(last('harp', 'pedal')).toEqual(['all-round']);
    expect(step(steps('guitar', 'steel', 0, null), 'stretch')).toBeDefined();
    expect(step(steps('violin', undefined, 0, null), 'stretch')).toBeUndefined();
  });
});
