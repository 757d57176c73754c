import { readFileSync, rmSync, writeFileSync } from 'node:fs';
import { tmpdir } from 'node:os';
import { join } from 'node:path';
import { DAY_MS, HOUR_MS, laggedMoisture, MINUTE_MS } from '@tembrin/core';
import { API_ROOT, REQUEST_HEADER, type IntakeProgress, type Year } from '@tembrin/contract';
import { createConnection, type Connection } from 'mariadb';
import { v7 as uuid } from 'uuid';
import { benchDatabase } from './database';
import { rollUp } from '../server/src/store/air/hours';
import { median } from './log';

/** A year of minutes: imported against the database's own loading; charted from ten sensors of three years; followed by the wood. */
const MINUTES = 525_600;
const START_S = Date.UTC(2025, 0, 1) / 1000;
const env = (name: string) => process.env[name]!;
const url = (path: string) => env('TEMBRIN_URL') + API_ROOT + path;

const shown = (minute: number) => 4500 + Math.round(900 * Math.sin(minute / 9000) + 150 * Math.sin(minute / 97));
const degrees = (minute: number) => 2050 + Math.round(120 * Math.sin(minute / 700));

interface Party {
  cookie: string;
  placeId: string;
}

async function send(path: string, cookie: string, body: unknown, method = 'POST'): Promise<Response> {
  const response = await fetch(url(path), {
    method,
    headers: { [REQUEST_HEADER]: '1', cookie, 'content-type': 'application/json' },
    body: JSON.stringify(body),
  });
  if (!response.ok) throw new Error(`${path}: ${await response.text()}`);
  return response;
}

async function openParty(): Promise<Party> {
  const account = { email: `bench.air.${Date.now()}@example.org`, password: 'quiet harbour tern', timeZone: 'UTC' };
  const answer = await send('/accounts', '', account);
  const cookie = answer.headers.get('set-cookie')!.split(';')[0]!;
  const placeId = uuid();
  const place = { kind: 'room', name: 'Room', roomId: null, volumeM3: 40, draught: 'ordinary' };
  await send('/places', cookie, { id: placeId, ...place, heating: null, tankG: null, dryerG: null });
  return { cookie, placeId };
}

async function addSensor({ cookie, placeId }: Party, owner: Connection): Promise<{ id: string; no: number }> {
  const id = uuid();
  await send('/sensors', cookie, { id, kind: 'logger', name: 'Logger', placeId });
  const [row] = (await owner.query('SELECT no FROM sensors WHERE id = ?', [id])) as { no: number }[];
  return { id, no: row!.no };
}

/** The database's own way of loading the same rows, in a transaction. */
async function loadData(owner: Connection, no: number): Promise<number> {
  const file = join(tmpdir(), `tembrin-bench-${process.pid}.csv`);
  const lines = Array.from(
    { length: MINUTES },
    (_, minute) => `${no},${START_S + minute * 60},${shown(minute)},${degrees(minute)}`,
  );
  writeFileSync(file, `${lines.join('\n')}\n`);
  const began = performance.now();
  await owner.beginTransaction();
  await owner.query(
    `LOAD DATA LOCAL INFILE '${file}' INTO TABLE readings FIELDS TERMINATED BY ',' (sensor, at, rh, tempC)`,
  );
  await owner.commit();
  const took = performance.now() - began;
  rmSync(file);
  return took;
}

async function importFile(
  { cookie }: Party,
  sensorId: string,
): Promise<{ ms: number; intake: IntakeProgress['intake'] }> {
  const lines = Array.from({ length: MINUTES }, (_, minute) => {
    const time = new Date((START_S + minute * 60) * 1000).toISOString().slice(0, 19).replace('T', ' ');
    return `${time},${(shown(minute) / 100).toFixed(2)},${(degrees(minute) / 100).toFixed(2)}`;
  });
  const body = `time,rh,temp\n${lines.join('\n')}\n`;
  const plan = {
    delimiter: ',',
    skip: 1,
    date: 0,
    clock: null,
    rh: 1,
    temp: 2,
    order: 'ymd',
    tempUnit: 'C',
    rhUnit: 'percent',
  };
  const began = performance.now();
  const response = await fetch(
    url(`/sensors/${sensorId}/imports/${uuid()}?plan=${encodeURIComponent(JSON.stringify(plan))}`),
    { method: 'POST', headers: { [REQUEST_HEADER]: '1', cookie, 'content-type': 'text/csv' }, body },
  );
  const { intake } = (await response.json()) as IntakeProgress;
  return { ms: performance.now() - began, intake };
}

const peakMb = () => {
  const line = /VmHWM:\s+(\d+)/.exec(readFileSync(`/proc/${env('SERVER_PID')}/status`, 'utf8'));
  return Math.round(Number(line![1]) / 1024);
};

async function importAYear(owner: Connection): Promise<void> {
  const party = await openParty();
  console.log(`A year of minutes (${MINUTES.toLocaleString('en-GB')} readings)\n`);

  const before = peakMb();
  const [loads, imports]: [number[], number[]] = [[], []];
  for (let round = 0; round < 3; round++) {
    loads.push(await loadData(owner, (await addSensor(party, owner)).no));
    const { ms, intake } = await importFile(party, (await addSensor(party, owner)).id);
    if (intake.stored !== MINUTES) throw new Error(`Only ${intake.stored} were stored.`);
    imports.push(ms);
  }
  const [load, imported] = [median(loads), median(imports)];
  console.log(
    `Import over HTTP with roll-ups: ${Math.round(imported)} ms; the database’s own LOAD DATA of the same rows: ${Math.round(load)} ms; ratio ${(imported / load).toFixed(2)} (aim: at most 2). Server’s peak memory ${peakMb()} MB, ${before} MB before.`,
  );
}

/** Ten sensors of three years in one room. */
async function seedTen(owner: Connection, rich: Party, today: number): Promise<void> {
  const { sequelize, close } = benchDatabase();
  const from = (today - 3 * 365) * 86_400;
  for (let at = 0; at < 10; at++) {
    const { no } = await addSensor(rich, owner);
    const count = 3 * 365 * 288;
    await owner.query(
      `INSERT INTO readings (sensor, at, rh, tempC) SELECT ${no}, ${from} + seq * 300, 4500 + (seq MOD 900), 2050 FROM seq_0_to_${count - 1}`,
    );
    await sequelize.transaction((transaction) => rollUp(sequelize, no, from, from + count * 300, transaction));
  }
  await close();
}

async function chart(rich: Party, today: number, count: number): Promise<number[]> {
  const times: number[] = [];
  for (let run = 0; run < count; run++) {
    const end = today + 1 - (run % 3) * 365;
    const began = performance.now();
    const answer = await fetch(url(`/places/${rich.placeId}/year?from=${end - 365}&to=${end}`), {
      headers: { cookie: rich.cookie },
    });
    const { days } = (await answer.json()) as Year;
    if (days.length < 360) throw new Error(`Only ${days.length} days.`);
    times.push(performance.now() - began);
  }
  return times.sort((a, b) => a - b);
}

async function health(rich: Party): Promise<number> {
  const times: number[] = [];
  for (let run = 0; run < 40; run++) {
    const began = performance.now();
    await (await fetch(url('/household'), { headers: { cookie: rich.cookie } })).json();
    times.push(performance.now() - began);
  }
  return median(times);
}

async function report(name: string, rich: Party, today: number): Promise<void> {
  await chart(rich, today, 5);
  const times = await chart(rich, today, 60);
  const base = await health(rich);
  const p95 = times[Math.floor(times.length * 0.95)]!;
  console.log(
    `Year chart, ${name}: median ${median([...times]).toFixed(0)} ms, 95th percentile ${p95.toFixed(0)} ms (aim: under 100), ${(p95 / base).toFixed(1)} × reading the household (${base.toFixed(0)} ms)`,
  );
}

function followTheWood(): void {
  const columns = {
    at: Float64Array.from({ length: MINUTES }, (_, minute) => minute * MINUTE_MS),
    rh: Float64Array.from({ length: MINUTES }, (_, minute) => shown(minute) / 10_000),
    tempC: Float64Array.from({ length: MINUTES }, (_, minute) => degrees(minute) / 100),
  };
  const time = (work: () => unknown) => {
    const began = performance.now();
    work();
    return performance.now() - began;
  };
  const runs = Array.from({ length: 9 }, () => time(() => laggedMoisture(columns, 2 * DAY_MS, 6 * HOUR_MS)));
  const base = median(Array.from({ length: 9 }, () => time(() => columns.rh.map((rh) => Math.exp(-rh)))));
  console.log(
    `The wood through a year of minutes: ${median(runs).toFixed(0)} ms (aim: under 150), ${(median(runs) / base).toFixed(1)} × one exponential a minute`,
  );
}

async function main() {
  const owner = await createConnection({
    host: env('DATABASE_HOST'),
    port: Number(env('DATABASE_PORT')),
    user: env('DATABASE_OWNER'),
    password: env('DATABASE_OWNER_PASSWORD'),
    database: env('DATABASE_NAME'),
    permitLocalInfile: true,
  });
  await importAYear(owner);
  const rich = await openParty();
  const today = Math.floor(Date.now() / DAY_MS);
  await seedTen(owner, rich, today);
  // Nine of them hang elsewhere: a chart is of one room, whatever else is stored.
  const other = uuid();
  await send('/places', rich.cookie, {
    id: other,
    kind: 'room',
    name: 'Other',
    roomId: null,
    volumeM3: null,
    draught: 'ordinary',
    heating: null,
    tankG: null,
    dryerG: null,
  });
  await report('all ten sensors in one room, three years stored', rich, today);
  await owner.query(
    `UPDATE sensors SET stays = JSON_ARRAY(JSON_OBJECT('from', 0, 'placeId', '${other}')), placeId = '${other}'
     WHERE placeId = '${rich.placeId}' AND no <> (SELECT * FROM (SELECT MIN(no) FROM sensors WHERE placeId = '${rich.placeId}') AS first)`,
  );
  await report('one sensor in the room, nine elsewhere', rich, today);
  await owner.end();

  followTheWood();
}

main().catch((error: unknown) => {
  console.error(error);
  process.exit(1);
});
