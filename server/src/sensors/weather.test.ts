import { once } from 'node:events';
import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { weatherAround } from '@tembrin/simulators';
import { openServer, type TestServer } from '../testing/fixtures';
import { Outside } from './simulators';

let server: TestServer;
let service: Server;
let asked = 0;
let answers = true;
beforeAll(async () => {
  server = openServer();
  service = createServer((_request, response) => {
    asked++;
    response.statusCode = answers ? 200 : 500;
    response.end(answers ? JSON.stringify(weatherAround(Date.now(), 'Europe/Lisbon')) : 'no');
  }).listen(0, '127.0.0.1');
  await once(service, 'listening');
});
afterAll(async () => {
  service.close();
  await server.close();
});

const outside = () =>
  new Outside(server.database, `http://127.0.0.1:${(service.address() as AddressInfo).port}`, undefined);

test('the weather is asked for by one server for all of them, and what was known last serves', async () => {
  const servers = [outside(), outside(), outside()];
  // Who finds another asking has nothing to tell yet, and no error.
  expect((await Promise.all(servers.map((each) => each.weather()))).some((weather) => weather !== null)).toBe(true);
  for (const each of servers) expect((await each.weather())?.hours.length).toBeGreaterThan(100);
  expect(asked).toBe(1);
  // Old by now, and the service is away.
  await server.database.models.Answer.update({ at: new Date(Date.now() - 3_600_000) }, { where: { name: 'weather' } });
  answers = false;
  expect((await outside().weather())?.hours.length).toBeGreaterThan(100);
  expect(asked).toBe(2);
});
