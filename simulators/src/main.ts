import { createServer, type IncomingMessage } from 'node:http';
import * as z from 'zod';
import { HYGROMETER_FAULTS, hygrometer } from './hygrometer';
import { mailbox } from './mailbox';
import { pushService } from './push-service';
import { weatherAround } from './weather';

/**
 * Runs the stand-ins on local ports: `GET /weather`, `POST /hygrometers` to let one send for a while, `/mail` for letters that came by
 * SMTP to a port of its own, `/push` for what a phone would have shown.
 */
const TIME_ZONE = process.env.TZ ?? Intl.DateTimeFormat().resolvedOptions().timeZone;
/** Address of the server that hygrometers send to; told by the launcher once it is known. */
let server = process.env.SERVER_URL ?? '';
const EVERY_MS = Number(process.env.HYGROMETER_EVERY_MS ?? 5000);
const FOR_MS = 3_600_000;
const MOST = 20;

const orderSchema = z.object({
  sensorId: z.uuid(),
  key: z.string().max(200),
  faults: z.array(z.enum(HYGROMETER_FAULTS)),
});

const running = new Map<string, ReturnType<typeof setInterval>>();

function start({ sensorId, key, faults }: z.infer<typeof orderSchema>): void {
  clearInterval(running.get(sensorId));
  if (running.size >= MOST && !running.has(sensorId)) {
    const [oldest, timer] = running.entries().next().value!;
    clearInterval(timer);
    running.delete(oldest);
  }
  const startedMs = Date.now();
  const read = hygrometer({ room: 'ovens', timeZone: TIME_ZONE, seed: 0.5, faults }, startedMs);
  const send = async () => {
    const pack = read(Date.now());
    const answer =
      pack &&
      (await fetch(new URL(`/api/v1/sensors/${sensorId}/senml`, server), {
        method: 'POST',
        headers: { 'Content-Type': 'application/senml+json', Authorization: `Bearer ${key}` },
        body: JSON.stringify(pack),
      }).catch(() => null));
    // A key that was revoked: there is nothing more to send.
    if (answer?.status === 401 || Date.now() - startedMs > FOR_MS) {
      clearInterval(timer);
      if (running.get(sensorId) === timer) running.delete(sensorId);
    }
  };
  const timer = setInterval(() => void send(), EVERY_MS);
  running.set(sensorId, timer);
  void send();
}

async function textOf(request: IncomingMessage): Promise<string> {
  const parts: Buffer[] = [];
  for await (const part of request) parts.push(part as Buffer);
  return Buffer.concat(parts).toString('utf8');
}

const letters = mailbox();
const pushes = pushService();

/** A page elsewhere whose name leads here sees nothing: only this machine's own names are answered. */
const isHere = ({ headers }: IncomingMessage) => /^(?:127\.0\.0\.1|localhost)(?::\d+)?$/.test(headers.host ?? '');

const service = createServer((request, response) => {
  const answer = (status: number, body: unknown) => {
    response.writeHead(status, { 'Content-Type': 'application/json' });
    response.end(JSON.stringify(body));
  };
  if (!isHere(request)) return answer(404, {});
  if (letters.page(request, response) || pushes.page(request, response)) return;
  if (request.method === 'GET' && request.url === '/weather') return answer(200, weatherAround(Date.now(), TIME_ZONE));
  if (request.method === 'POST' && request.url === '/hygrometers') {
    return void textOf(request).then((text) => {
      try {
        start(orderSchema.parse(JSON.parse(text)));
        answer(202, {});
      } catch {
        answer(422, {});
      }
    });
  }
  answer(404, {});
});

/** Listens on this machine alone. @returns the port */
const listen = (
  on: { listen(port: number, host: string, then: () => void): unknown; address(): unknown },
  port: number,
) =>
  new Promise<number>((resolve) =>
    on.listen(port, '127.0.0.1', () => resolve((on.address() as { port: number }).port)),
  );
const [listening, smtp] = await Promise.all([
  listen(service, Number(process.env.SIMULATORS_PORT ?? 0)),
  listen(letters.smtp.server, Number(process.env.MAILBOX_PORT ?? 0)),
]);
process.send?.({ listening, smtp });
process.on('message', (message: { server?: string }) => {
  if (message.server) server = message.server;
});
const stop = () => process.exit(0);
process.on('SIGTERM', stop);
process.on('SIGINT', stop);
process.on('disconnect', stop);
