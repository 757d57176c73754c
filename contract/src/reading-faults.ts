import { SALT_RANGE_C, TEMP_RANGE_C, type CheckFault, type LineFault, type SenmlFault } from '@tembrin/core/air';

/** Why a reading, a line of a file or a record of a pack cannot be taken, as a sentence that says what to do. */
export function readingFaultSentence(fault: LineFault | SenmlFault['fault']): string {
  switch (fault) {
    case 'no-number':
      return 'That is not a number. Write it like 45 or 45.5.';
    case 'rh-negative':
      return 'Humidity is never below 0 %. Check the minus sign.';
    case 'rh-zero':
      return 'No room’s air is at 0 %: the sensor is dead, or not connected. Leave the line out.';
    case 'rh-above-100':
      return 'Humidity is never above 100 %. Read it again, or check the sensor.';
    case 'rh-fraction':
      return 'That looks like a fraction. Write 45 % as 45, not 0.45.';
    case 'temp-out-of-range':
      return `A temperature lies between ${TEMP_RANGE_C.least} and ${TEMP_RANGE_C.most} °C. Check the unit.`;
    case 'low-above-high':
      return 'The lowest is below the reading and the highest above it. Check which is which.';
    case 'in-the-future':
      return 'That is in the future. Check the date, and the clock of the device.';
    case 'clock-not-set':
      return 'That is before the year 2000: the clock of the device is not set. Set it, then read again.';
    case 'no-date':
      return 'There is no such date and time, or something in it is not understood. Check the order of day and month.';
    case 'no-clock':
      return 'There is no time of day. Choose the column that holds it.';
    case 'zone-letters':
      return 'It names its time zone by letters, which stand for more than one zone. Export it in UTC, with an offset like +01:00, or without.';
    case 'hour-twice':
      return 'This hour comes twice when clocks go back, and nothing in the file says which is meant. Leave the line out.';
    case 'instant-twice':
      return 'The line before is of the same instant and says something else. Does the file hold two devices? Then export each by itself.';
    case 'unit-differs':
      return 'The cell gives another unit than its column. Check which column is which, and its unit.';
    case 'held':
      return 'The humidity has stood at 100 % for hours: the sensor is wet or dead. Leave these lines out.';
    case 'too-few-columns':
      return 'This line has fewer columns than the others.';
    case 'no-humidity':
      return 'There is a temperature but no humidity of that instant. Send %RH with it.';
    case 'unit':
      return 'This unit is not known here. Send %RH, Cel and %EL.';
    case 'two-devices':
      return 'The pack holds two devices. Send each by itself, to an address of its own.';
    case 'must-understand':
      return 'The record asks for something that is not understood here.';
  }
}

/** Why a salt check cannot be used, as a sentence that says what to do. */
export const CHECK_FAULT_SENTENCES: Readonly<Record<CheckFault, string>> = {
  temperature: `The salts are known from ${SALT_RANGE_C.least} to ${SALT_RANGE_C.most} °C. Let it stand in a room that is neither cold nor hot, then read again.`,
  'far-off':
    'That is more than 25 % off. Is the slurry wet, the jar sealed, the salt the right one? If so, the hygrometer is broken.',
  slope: 'The two salts contradict each other. Wait until the display has not moved for an hour, then read both again.',
};
