import { spawn, type ChildProcess } from 'node:child_process';
import { once } from 'node:events';
import { createServer, request as ask, type Server } from 'node:http';
import type { AddressInfo } from 'node:net';
import { join } from 'node:path';
import { API_ROOT, REQUEST_HEADER } from '@tembrin/contract';

/** Servers in processes of their own, for tests. */

export interface Running {
  child: ChildProcess;
  url: string;
}

/** Starts a server on the test database. @param settings other settings than usual */
export async function startProcess(settings: Record<string, string> = {}): Promise<Running> {
  const child = spawn(process.execPath, ['--import', 'tsx', 'src/main.ts'], {
    cwd: join(__dirname, '../..'),
    env: {
      ...process.env,
      PORT: '0',
      LOG_LEVEL: 'silent',
      NODE_ENV: 'production',
      OPENING_LIMIT: '10000',
      ...settings,
    },
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const [{ listening }] = (await once(child, 'message')) as [{ listening: number }];
  return { child, url: `http://127.0.0.1:${listening}${API_ROOT}` };
}

/** Has a server end as it is told to. @returns its exit code */
export async function endProcess({ child }: Running): Promise<number | null> {
  child.kill('SIGTERM');
  if (child.exitCode === null && child.signalCode === null) await once(child, 'exit');
  return child.exitCode;
}

/** Asks a server that may be in any process. */
export const send = (url: string, method: string, path: string, body?: object | string, cookie = '') =>
  fetch(url + path, {
    method,
    headers: {
      'content-type': typeof body === 'string' ? 'text/csv' : 'application/json',
      [REQUEST_HEADER]: '1',
      ...(cookie && { cookie }),
    },
    body: typeof body === 'object' ? JSON.stringify(body) : body,
  });

export const cookieOf = (answer: Response) => answer.headers.get('set-cookie')!.split(';')[0]!;

/** A balancer that sends each request to the next server. */
export async function roundRobin(servers: readonly Running[]): Promise<{ url: string; close: () => void }> {
  let turn = 0;
  const proxy: Server = createServer((incoming, outgoing) => {
    const { host, port } = new URL(servers[turn++ % servers.length]!.url);
    const onward = ask(
      { host: '127.0.0.1', port, method: incoming.method, path: incoming.url, headers: { ...incoming.headers, host } },
      (answer) => {
        outgoing.writeHead(answer.statusCode!, answer.headers);
        answer.pipe(outgoing);
      },
    );
    onward.on('error', () => outgoing.writeHead(502).end());
    incoming.pipe(onward);
  });
  proxy.listen(0, '127.0.0.1');
  await once(proxy, 'listening');
  return { url: `http://127.0.0.1:${(proxy.address() as AddressInfo).port}${API_ROOT}`, close: () => proxy.close() };
}
