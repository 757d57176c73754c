import {
  byInstrument,
  DAY_MS,
  foldLog,
  hoursBetween,
  MINUTE_MS,
  noteName,
  openStrings,
  pastStrings,
  stringsOn,
} from '@tembrin/core';
import Papa from 'papaparse';
import { BY_COLUMN, LOG_COLUMNS } from '../reading/archive';
import type { HouseholdScope } from './scope';

const NEWLINE = '\r\n';

/** A cell that a spreadsheet would take for a formula is kept a text. Common practice. */
function safe(cell: string): string {
  return /^[=+\-@\t\r]/.test(cell) ? `'${cell}` : cell;
}

/** A household's log, sessions and strings as tables for a spreadsheet. */
export class TableScope {
  constructor(private readonly scope: HouseholdScope) {}

  /** The log, an event a line; the payload as JSON, so that nothing is lost. */
  async logCsv(): Promise<string> {
    const events = await this.scope.log();
    return Papa.unparse(
      {
        fields: [...LOG_COLUMNS, BY_COLUMN],
        data: events.map(({ id, instrumentId, type, occurredAt, recordedAt, payload, by }) => [
          id,
          instrumentId,
          type,
          occurredAt,
          recordedAt,
          JSON.stringify(payload),
          by ?? '',
        ]),
      },
      { newline: NEWLINE },
    );
  }

  async sessionsCsv(nowMs = Date.now()): Promise<string> {
    const { instruments, timeZone } = await this.scope.household();
    const logs = byInstrument(await this.scope.log());
    const day = wallFormat(timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' });
    const clock = wallFormat(timeZone, { hour: '2-digit', minute: '2-digit' });
    const rows = instruments.flatMap(({ id, name }) =>
      foldLog(logs.get(id) ?? [], nowMs, timeZone).sessions.flatMap(({ beganAt, endedAt, entered }) =>
        endedAt === null
          ? []
          : [
              [
                safe(name),
                day(beganAt),
                clock(beganAt),
                clock(endedAt),
                ((endedAt - beganAt) / MINUTE_MS).toFixed(1),
                entered ? 'entered' : 'timed',
              ],
            ],
      ),
    );
    rows.sort((a, b) => (a[1]! + a[2]! < b[1]! + b[2]! ? -1 : 1));
    return Papa.unparse(
      { fields: ['instrument', 'date', 'from', 'to', 'minutes', 'how'], data: rows },
      { newline: NEWLINE },
    );
  }

  async stringsCsv(nowMs = Date.now()): Promise<string> {
    const { instruments, timeZone } = await this.scope.household();
    const logs = byInstrument(await this.scope.log());
    const day = wallFormat(timeZone, { year: 'numeric', month: '2-digit', day: '2-digit' });
    const rows = instruments.flatMap((instrument) => {
      const log = foldLog(logs.get(instrument.id) ?? [], nowMs, timeZone);
      const notes = openStrings(instrument).map(({ note }) => noteName(note));
      const past = pastStrings(log, instrument.stringCount).map(({ position, spec, from, to, successor }) => ({
        position,
        spec,
        from,
        to: to as number | null,
        why: successor.reason as string,
      }));
      const on = stringsOn(log, instrument.stringCount).flatMap(({ position, fitting, spec }) =>
        fitting ? [{ position, spec, from: fitting.at, to: null, why: '' }] : [],
      );
      return [...past, ...on].map(({ position, spec, from, to, why }) => {
        const until = to ?? nowMs;
        const hours = hoursBetween(log.playing, from, until);
        return [
          safe(instrument.name),
          notes[position] ?? String(position + 1),
          spec ? `${spec.core} ${spec.winding}` : '',
          spec?.gaugeMm ? String(spec.gaugeMm) : '',
          day(from),
          to === null ? '' : day(to),
          ((until - from) / DAY_MS).toFixed(0),
          hours.toFixed(1),
          why,
        ];
      });
    });
    const fields = [
      'instrument',
      'string',
      'make-up',
      'gauge mm',
      'on',
      'off',
      'days',
      'hours played',
      'why it came off',
    ];
    return Papa.unparse({ fields, data: rows }, { newline: NEWLINE });
  }
}

/** Dates and times as a place's wall shows them, in the order of ISO 8601. */
function wallFormat(timeZone: string, options: Intl.DateTimeFormatOptions): (atMs: number) => string {
  const format = new Intl.DateTimeFormat('sv-SE', { ...options, timeZone });
  return (atMs) => format.format(atMs);
}
