import { createServer, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { pushService } from '@tembrin/simulators/push';
import { subscription } from '../testing/pushes';
import { endpointFault, isPrivate, lookupOutside } from './addresses';
import { DeadDevice, pushOf, vapidKeys, type PushMessage } from './push';

const SECRET = 's'.repeat(40);
const MAIL_FROM = 'Tembrin <upkeep@harbour.example>';
const message = (more: Partial<PushMessage> = {}): PushMessage => ({
  id: '0191f5a0-0000-7000-8000-000000000001',
  title: 'Heron: the wood is too dry',
  body: 'Its wood rests at 31 %.',
  path: '/air/wood/heron',
  key: null,
  doable: false,
  ...more,
});

describe('addresses nothing is sent to', () => {
  // IANA IPv4 and IPv6 Special-Purpose Address Registries.
  test.each([
    '127.0.0.1',
    '10.1.2.3',
    '172.16.0.1',
    '172.31.255.255',
    '192.168.1.1',
    '169.254.169.254',
    '100.64.0.1',
    '0.0.0.0',
    '224.0.0.1',
    '255.255.255.255',
    '::1',
    '::',
    'fd00::1',
    'fe80::1',
    '::ffff:127.0.0.1',
    '::ffff:7f00:1',
    '64:ff9b::7f00:1',
    '2002:7f00:1::',
    'not an address',
  ])('%s is private', (address) => expect(isPrivate(address)).toBe(true));
  test.each(['8.8.8.8', '172.32.0.1', '100.128.0.1', '2606:4700::1111'])('%s is not', (address) =>
    expect(isPrivate(address)).toBe(false),
  );

  test.each([
    ['http://push.example.org/a', 'is not protected'],
    ['https://push.example.org:8443/a', 'has a port or a user'],
    ['https://me@push.example.org/a', 'has a port or a user'],
    ['https://127.0.0.1/a', 'has no name'],
    ['https://[::1]/a', 'has no name'],
    ['https://2130706433/a', 'has no name'],
    ['https://localhost/a', 'is at home'],
    ['https://printer.local/a', 'is at home'],
    ['https://metadata.internal/a', 'is at home'],
    ['push', 'is no address'],
  ])('%s %s', (endpoint, fault) => expect(endpointFault(endpoint)).toBe(fault));
  test('a push service by its name may be', () => expect(endpointFault(subscription().endpoint)).toBeNull());

  test('a name that leads to a private address is refused when it is looked up', async () => {
    const found = await new Promise((resolve) => lookupOutside('localhost', {}, (error) => resolve(error?.message)));
    expect(found).toMatch(/private/);
  });
});

test('the key by which push services know this server is the same in every process, and another for another secret', () => {
  expect(vapidKeys(SECRET)).toEqual(vapidKeys(SECRET));
  expect(vapidKeys('t'.repeat(40)).publicKey).not.toBe(vapidKeys(SECRET).publicKey);
  expect(Buffer.from(vapidKeys(SECRET).publicKey, 'base64url')).toHaveLength(65);
});

describe('with the stand-in', () => {
  const { messages, page } = pushService();
  let server: Server;
  let url: string;
  beforeAll(async () => {
    server = createServer((request, response) => void page(request, response));
    await new Promise<void>((listening) => server.listen(0, '127.0.0.1', () => listening()));
    url = `http://127.0.0.1:${(server.address() as AddressInfo).port}`;
  });
  afterAll(() => void server.close());
  const push = () => pushOf({ SESSION_SECRET: SECRET, MAIL_FROM, PUSH_STAND_IN: url });

  test('a message arrives encrypted, signed, with how urgent it is, and is read by the device alone', async () => {
    const to = await push().subscribe();
    await push().send(to, message(), true);
    expect(messages[0]).toMatchObject({ ...message(), urgency: 'high', ttl: '43200' });
    expect(messages[0]!.to).toBe(to.endpoint.split('/').at(-1));
  });

  test('the same again takes the place of the first', async () => {
    const to = await push().subscribe();
    await push().send(to, message(), true);
    await push().send(to, message(), true);
    expect(messages.filter(({ to: id }) => to.endpoint.endsWith(id))).toHaveLength(1);
  });

  test('however much there is to tell, it fits', async () => {
    const to = await push().subscribe();
    await push().send(to, message({ title: 'Ä'.repeat(900), body: '𝄞'.repeat(3000) }), false);
    expect(messages[0]!.body.length).toBeGreaterThan(500);
    expect(messages[0]).toMatchObject({ urgency: 'low', path: '/air/wood/heron' });
  });

  test('a subscription that is gone is told from a service that is down', async () => {
    const to = await push().subscribe();
    await fetch(to.endpoint, { method: 'DELETE' });
    await expect(push().send(to, message(), true)).rejects.toThrow(DeadDevice);
    const down = pushOf({ SESSION_SECRET: SECRET, MAIL_FROM, PUSH_STAND_IN: 'http://127.0.0.1:1' });
    const nowhere = down.send({ ...to, endpoint: 'http://127.0.0.1:1/push/x' }, message(), true);
    await expect(nowhere).rejects.toThrow();
    await expect(nowhere).rejects.not.toThrow(DeadDevice);
  });

  test('what answers beside it is sent nothing', () => {
    expect(push().fault(`${url}/push/a`)).toBeNull();
    for (const path of ['/hygrometers', '/push/../hygrometers', '/pushed/a'])
      expect(push().fault(url + path)).not.toBeNull();
  });

  test('without one set, nothing is sent to this machine', async () => {
    const to = await push().subscribe();
    const real = pushOf({ SESSION_SECRET: SECRET, MAIL_FROM, PUSH_STAND_IN: undefined });
    expect(real.standIn).toBe(false);
    const before = messages.length;
    await expect(real.send(to, message(), true)).rejects.toThrow(DeadDevice);
    await expect(real.send({ ...to, endpoint: 'https://localhost.localdomain/x' }, message(), true)).rejects.toThrow();
    expect(messages).toHaveLength(before);
  });
});
