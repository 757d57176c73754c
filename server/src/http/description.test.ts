import { once } from 'node:events';
import type { Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { API_ROOT } from '@tembrin/contract';
import { usualFacts } from '@tembrin/core';
import OpenAPIClientAxios from 'openapi-client-axios';
import { v7 as uuid } from 'uuid';
import { ROOM } from '../testing/air';
import { madeEvent, openServer, PASSWORD, type TestServer } from '../testing/fixtures';

/** Somebody who knows nothing but the API's description makes a client of it, and it works. */

let server: TestServer;
let listening: Server;
beforeAll(async () => {
  server = openServer();
  listening = server.app.listen(0, '127.0.0.1');
  await once(listening, 'listening');
});
afterAll(async () => {
  listening.close();
  await server.close();
});

type Answer = { status: number; data: never; headers: Record<string, unknown> };
type Call = (params?: object | null, body?: unknown, more?: object) => Promise<Answer>;

async function client() {
  const url = `http://127.0.0.1:${(listening.address() as AddressInfo).port}`;
  const definition = (await (await fetch(`${url}${API_ROOT}/openapi.json`)).json()) as never;
  const api = new OpenAPIClientAxios({
    definition,
    axiosConfigDefaults: { baseURL: url, validateStatus: () => true, adapter: 'http' },
  });
  return {
    api,
    calls: (await api.init()) as unknown as Record<string, Call> & { defaults: { headers: Record<string, string> } },
  };
}

test('a client made of the description signs in, adds, changes, imports and reads', async () => {
  const { api, calls } = await client();
  const own = { 'x-tembrin': '1' };
  const account = { email: `${uuid()}@example.org`, password: PASSWORD, timeZone: 'Europe/Lisbon' };
  const made = await calls.createAccount!(own, account);
  expect(made.status).toBe(201);
  const cookie = String((made.headers['set-cookie'] as string[])[0]).split(';')[0]!;
  const signed = { headers: { Cookie: cookie } };
  const id = uuid();
  expect((await calls.addInstrument!(own, { id, name: 'Heron', ...usualFacts('violin') }, signed)).status).toBe(201);
  const changed = await calls.changeInstrument!(
    { id, 'If-Match': '"1"', ...own },
    { name: 'Egret', ...usualFacts('violin') },
    signed,
  );
  expect(changed).toMatchObject({ status: 200, data: { name: 'Egret', version: 2 } });
  const posted = await calls.postEvents!(own, { events: [madeEvent(id, 'rosined', {})] }, signed);
  expect(posted).toMatchObject({ status: 200, data: { outcomes: [{ outcome: 'stored' }] } });
  expect(await calls.readLog!({ after: 0 }, null, signed)).toMatchObject({ data: { reached: 1, more: false } });
  const placeId = uuid();
  expect((await calls.addPlace!(own, { id: placeId, ...ROOM }, signed)).status).toBe(201);
  const sensor = await calls.addSensor!(own, { id: uuid(), kind: 'post', name: 'Door', placeId }, signed);
  const { sensor: added, key } = sensor.data as { sensor: { id: string }; key: string };
  const pack = [{ bn: 'urn:dev:', bt: Math.floor(Date.now() / 1000) - 60, n: 'rh', u: '%RH', v: 45 }];
  const packed = await calls.postSenml!({ id: added.id }, pack, {
    headers: { Authorization: `Bearer ${key}`, 'Content-Type': 'application/senml+json' },
  });
  expect(packed).toMatchObject({ status: 200, data: { stored: 1 } });
  const [mediaType] = Object.keys((api.getOperation('importLog')!.requestBody as { content: object }).content);
  const log = (await calls.exportLog!(null, null, signed)).data as string;
  const brought = await calls.importLog!(own, log, { headers: { Cookie: cookie, 'Content-Type': mediaType } });
  expect(brought).toMatchObject({ status: 200, data: { events: 0, known: 1 } });
});

test('what the description says is needed is needed', async () => {
  const { calls, api } = await client();
  const { email } = { email: `${uuid()}@example.org` };
  expect((await calls.signIn!({}, { email, password: PASSWORD })).status).toBe(403);
  expect((await calls.signIn!({ 'x-tembrin': '1' }, { email, password: PASSWORD })).status).toBe(401);
  const required = (name: string) =>
    ((api.getOperation(name)!.parameters ?? []) as { name: string; required?: boolean }[])
      .filter((each) => each.required)
      .map((each) => each.name);
  expect(required('changeInstrument').sort()).toEqual(['If-Match', 'id', 'x-tembrin']);
  expect(required('postSenml')).toEqual(['id']);
});
