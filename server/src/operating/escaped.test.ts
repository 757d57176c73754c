import { spawn } from 'node:child_process';
import { once } from 'node:events';
import { join } from 'node:path';

interface Told {
  what: string;
  facts: { failure: { name: string; at: string[] }; ends: boolean };
}

test('an error that nobody caught ends its request; the process ends only where its state is in doubt, after its open requests', async () => {
  const child = spawn(process.execPath, ['--import', 'tsx', join(__dirname, '../testing/escaping.ts')], {
    stdio: ['ignore', 'inherit', 'inherit', 'ipc'],
  });
  const [{ listening }] = (await once(child, 'message')) as [{ listening: number }];
  const told: Told[] = [];
  child.on('message', (message) => told.push(message as Told));
  const ask = (path: string) =>
    fetch(`http://127.0.0.1:${listening}${path}`, { headers: { connection: 'close' } }).then(async (answer) => ({
      status: answer.status,
      body: (await answer.json()) as object,
    }));

  expect(await ask('/unheard')).toMatchObject({ status: 500, body: { type: '/problems/unforeseen' } });
  expect(child.exitCode).toBeNull();
  const slow = ask('/slow');
  await new Promise((resolve) => setTimeout(resolve, 100));
  const ended = once(child, 'exit');
  expect(await ask('/thrown')).toMatchObject({ status: 500, body: { type: '/problems/unforeseen' } });
  expect(await slow).toEqual({ status: 200, body: { answered: true } });
  expect((await ended)[0]).toBe(1);
  expect(told).toMatchObject([
    { what: 'error escaped', facts: { failure: { name: 'RangeError' }, ends: false } },
    { what: 'error escaped', facts: { failure: { name: 'TypeError' }, ends: true } },
  ]);
  // Where in the program it came from is told.
  expect(told[1]!.facts.failure.at.join()).toContain('escaping.ts');
}, 30_000);
