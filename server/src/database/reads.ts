import { createPool, type Pool, type PoolConfig } from 'mariadb';

/** What a statement takes. */
export type Value = string | number | null;

/** Times come as they are written: the driver takes them for times of the machine's own zone. */
const AS_WRITTEN = { dateStrings: true, bigIntAsNumber: true, typeCast: undefined };
const TIMES: ReadonlySet<string> = new Set(['DATETIME', 'TIMESTAMP']);

/** What asks: a pool, or a connection. */
export interface Asked {
  query: (asked: { sql: string }, values: Value[]) => Promise<unknown>;
}

/**
 * Asks one statement, as text. Not prepared: the driver sends a statement's execution right behind its preparation, and where that was
 * refused (a cluster's rollback, too many prepared statements) the database carries out the statement prepared before it instead.
 * @returns its rows, with times in UTC as dates; whatever the driver says of one that reads nothing
 */
export async function ask<Row>(driver: Asked, sql: string, values: readonly Value[]): Promise<Row[]> {
  const rows = (await driver.query({ ...AS_WRITTEN, sql }, [...values])) as Told;
  const times = rows.meta?.filter(({ type }) => TIMES.has(type)).map((column) => column.name()) ?? [];
  for (const row of times.length > 0 ? rows : [])
    for (const time of times) {
      const text = row[time] as string | null;
      row[time] = text === null ? null : new Date(`${text.replace(' ', 'T')}Z`);
    }
  return rows as unknown as Row[];
}

/** Rows of the driver, with what their columns are. */
type Told = Record<string, unknown>[] & { meta?: readonly { type: string; name: () => string }[] };

/**
 * What is read at every request, straight from the driver: building a query and its models takes the
 * object mapper several times as long as the database takes to answer. Nothing is changed here but counts
 * of what was asked, and nothing belongs to a transaction.
 */
export class Reads {
  private readonly pool: Pool;

  /** @param told hears each statement before it is carried out */
  constructor(
    settings: PoolConfig,
    private readonly told: ((sql: string) => void) | false,
  ) {
    this.pool = createPool({ ...settings, ...AS_WRITTEN, minimumIdle: 1, timezone: 'Z' });
  }

  /**
   * The rows of a statement: times as dates, whole numbers as numbers, what is true as 1.
   * @param values one for each `?`
   */
  rows<Row>(sql: string, values: readonly Value[]): Promise<Row[]> {
    if (this.told) this.told(sql);
    return ask<Row>(this.pool, sql, values);
  }

  /** Connections that are open and do nothing just now. */
  get idle(): number {
    return this.pool.idleConnections();
  }

  /** Connections that answer just now. */
  get used(): number {
    return this.pool.activeConnections();
  }

  close(): Promise<void> {
    return this.pool.end();
  }
}

/** So many places for the values of a list. */
export const placeholders = (list: readonly unknown[]): string => `(${list.map(() => '?').join(', ')})`;
