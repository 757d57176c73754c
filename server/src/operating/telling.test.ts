import { pino } from 'pino';
import { Telling } from './telling';

function heard() {
  const lines: { msg: string; times?: number; level: number }[] = [];
  const log = pino(
    { level: 'info' },
    { write: (line: string) => void lines.push(JSON.parse(line) as (typeof lines)[0]) },
  );
  return { lines, telling: new Telling(log) };
}

test('what fails in a loop is told twenty times a minute, then how often it failed besides', () => {
  const { lines, telling } = heard();
  for (let times = 0; times < 1000; times++) telling.tell('error', 'it failed', { times }, 1_000 + times);
  expect(lines).toHaveLength(20);
  telling.tell('warn', 'another', {}, 2_000);
  expect(lines.at(-1)!.msg).toBe('another');
  telling.tell('error', 'it failed', {}, 70_000);
  expect(lines.slice(-2).map(({ msg, times }) => [msg, times])).toEqual([
    ['it failed, and more of it', 980],
    ['it failed', undefined],
  ]);
});
