import { createPool, type Pool, type PoolConfig } from 'mariadb';

/** Statements with more values than this are not prepared: each number of them would be another one to keep. */
export const MOST_PREPARED = 10;
/** What a statement takes. */
export type Value = string | number | null;

/**
 * What is read at every request, straight from the driver and with prepared statements: building a query and its models takes the
 * object mapper several times as long as the database takes to answer. Nothing is changed here, and nothing belongs to a transaction.
 */
export class Reads {
  private readonly pool: Pool;

  /** @param told hears each statement before it is carried out */
  constructor(
    settings: PoolConfig,
    private readonly told: ((sql: string) => void) | false,
  ) {
    this.pool = createPool({ ...settings, minimumIdle: 1, bigIntAsNumber: true, timezone: 'Z' });
  }

  /**
   * The rows of a statement: dates as dates, whole numbers as numbers, what is true as 1.
   * @param values one for each `?`
   */
  rows<Row>(sql: string, values: readonly Value[]): Promise<Row[]> {
    if (this.told) this.told(sql);
    const asked = [...values];
    return asked.length > MOST_PREPARED ? this.pool.query<Row[]>(sql, asked) : this.pool.execute<Row[]>(sql, asked);
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
