import type { Household, Instrument } from '@tembrin/contract';
import { isPart } from '@/features/part/parts';
import { whenToMs } from '@/features/part/when';
import { spanOf } from '@/features/kit/span';
import { call, OutOfReach, Refused, sentenceOf } from './api';
import { standOf } from './household';
import { usualFacts } from '@tembrin/core/instruments';

const NOW = Date.parse('2026-06-01T12:00:00.000Z');
const ZONE = 'Europe/Lisbon';

describe('calling the server', () => {
  const asked: { url: string; init: RequestInit }[] = [];
  let answer: Partial<Response>;
  beforeEach(() => {
    asked.length = 0;
    globalThis.fetch = (async (url: string, init: RequestInit) => {
      asked.push({ url, init });
      return answer as Response;
    }) as typeof fetch;
  });
  const json = (status: number, body: unknown): Partial<Response> => ({
    ok: status < 400,
    status,
    json: async () => body,
  });

  test('fills in the path, the query, our header and the version', async () => {
    answer = json(204, null);
    await call('removeInstrument', { params: { id: 'a/b' }, version: 3 });
    await call('readLog', { query: { after: 7, instrumentId: undefined } }).catch(() => undefined);
    expect(asked[0]).toMatchObject({
      url: '/api/v1/instruments/a%2Fb',
      init: { method: 'DELETE', headers: { 'x-tembrin': '1', 'If-Match': '"3"' } },
    });
    expect(asked[1]!.url).toBe('/api/v1/events?after=7');
  });

  test('a problem document becomes its sentence', async () => {
    answer = json(409, {
      type: '/problems/x',
      title: 'x',
      status: 409,
      detail: 'There is one already.',
      fields: { email: 'Taken.' },
    });
    const error = await call('signOut').catch((thrown: unknown) => thrown);
    expect(error).toBeInstanceOf(Refused);
    expect((error as Refused).problem.fields).toEqual({ email: 'Taken.' });
    expect(sentenceOf(error)).toBe('There is one already.');
  });

  test('no answer, or a stranger’s, means out of reach', async () => {
    answer = {
      ok: false,
      status: 502,
      json: async () => {
        throw new SyntaxError();
      },
    };
    await expect(call('health')).rejects.toBeInstanceOf(OutOfReach);
    globalThis.fetch = async () => {
      throw new TypeError('Failed to fetch');
    };
    await expect(call('health')).rejects.toBeInstanceOf(OutOfReach);
    expect(sentenceOf(new OutOfReach())).toMatch(/connection/);
    expect(sentenceOf(new Error('x is undefined'))).not.toMatch(/undefined/);
  });
});

test('the stand holds what was put there, else the first, else nothing', () => {
  const violin: Instrument = {
    id: 'v',
    name: 'Heron',
    ...usualFacts('violin'),
    addedAt: '2026-01-01T00:00:00.000Z',
    version: 1,
  };
  const household = { instruments: [violin, { ...violin, id: 'w' }] } as Household;
  expect(standOf(household, 'w')?.id).toBe('w');
  expect(standOf(household, 'gone')?.id).toBe('v');
  expect(standOf({ ...household, instruments: [] }, 'v')).toBeNull();
});

describe('answers to "when?"', () => {
  const iso = (when: Parameters<typeof whenToMs>[0]) => {
    const at = whenToMs(when, NOW, ZONE);
    return at === null ? null : new Date(at).toISOString();
  };

  test('months ago are months of the calendar, across the change of clocks too', () => {
    expect(iso({ kind: 'ago', months: 0 })).toBe('2026-06-01T12:00:00.000Z');
    expect(iso({ kind: 'ago', months: 3 })).toBe('2026-03-01T13:00:00.000Z');
    expect(iso({ kind: 'ago', months: 12 })).toBe('2025-06-01T12:00:00.000Z');
  });

  test('a date means its midday there, but never later than now', () => {
    expect(iso({ kind: 'date', date: '2026-03-05' })).toBe('2026-03-05T12:00:00.000Z');
    expect(iso({ kind: 'date', date: '2026-06-01' })).toBe('2026-06-01T11:00:00.000Z');
    expect(iso({ kind: 'date', date: '2026-07-01' })).toBe('2026-06-01T12:00:00.000Z');
    expect(iso({ kind: 'date', date: '' })).toBeNull();
  });

  test('unsaid is no answer, unknown is one', () => {
    expect(iso({ kind: 'unsaid' })).toBeNull();
    expect(iso({ kind: 'unknown' })).toBe(new Date(NOW).toISOString());
  });
});

describe('times of a session as typed', () => {
  const span = (date: string, began: string, ended: string) => {
    const found = spanOf({ date, began, ended }, ZONE);
    return found && [new Date(found.beganAt).toISOString(), new Date(found.endedAt).toISOString()];
  };

  test('are the place’s own, summer and winter', () => {
    expect(span('2026-07-01', '18:00', '19:30')).toEqual(['2026-07-01T17:00:00.000Z', '2026-07-01T18:30:00.000Z']);
    expect(span('2026-01-01', '18:00', '19:30')).toEqual(['2026-01-01T18:00:00.000Z', '2026-01-01T19:30:00.000Z']);
  });

  test('an end before the beginning is past midnight, also on the night the clocks change', () => {
    expect(span('2026-05-10', '23:30', '00:15')).toEqual(['2026-05-10T22:30:00.000Z', '2026-05-10T23:15:00.000Z']);
    expect(span('2026-10-24', '23:30', '02:30')).toEqual(['2026-10-24T22:30:00.000Z', '2026-10-25T02:30:00.000Z']);
  });

  test('something missing is nothing', () => {
    expect(span('2026-05-10', '', '00:15')).toBeNull();
    expect(span('', '18:00', '18:30')).toBeNull();
    expect(span('2026-05-10', '18:00', '')).toBeNull();
  });
});

test('parts are known by their names, and nothing else is', () => {
  expect(isPart('strings')).toBe(true);
  for (const no of ['closing', 'toString', '', undefined]) expect(isPart(no)).toBe(false);
});
