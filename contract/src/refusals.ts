import { FIGURE_DATA, LOOK_DATA } from '@tembrin/core/instruments';
import { LONGEST_SESSION_H, type Refusal } from '@tembrin/core/log';

function when(ms: number, timeZone: string): string {
  const parts: Intl.DateTimeFormatOptions = {
    day: 'numeric',
    month: 'short',
    year: 'numeric',
    hour: '2-digit',
    minute: '2-digit',
  };
  return new Intl.DateTimeFormat('en-GB', { ...parts, timeZone }).format(ms);
}

function clock(ms: number, timeZone: string): string {
  return new Intl.DateTimeFormat('en-GB', { hour: '2-digit', minute: '2-digit', timeZone }).format(ms);
}

/** A refusal as one sentence a player can act on; times are shown as the household's place reads them. */
export function refusalSentence(refusal: Refusal, timeZone: string): string {
  switch (refusal.code) {
    case 'in-the-future':
      return `That is in the future (${when(refusal.at, timeZone)}). Check the date and time, and this device’s clock.`;
    case 'before-instrument':
      return `The instrument has been with you since ${refusal.since}. Choose a later date, or change that date in Kit.`;
    case 'ends-before-start':
      return 'It ends before it begins. Check both times.';
    case 'too-long':
      return `That would be ${Math.ceil(refusal.hours)} hours; a session is at most ${LONGEST_SESSION_H}. Say when you stopped.`;
    case 'overlap':
      return refusal.endedAt === null
        ? `The clock has been running since ${when(refusal.beganAt, timeZone)}. Finish or retract that session first.`
        : `It overlaps the session of ${when(refusal.beganAt, timeZone)} to ${clock(refusal.endedAt, timeZone)}. Change the times, or retract that one.`;
    case 'no-such-session':
      return 'The session this belongs to is not in the log. It may have been retracted on another device.';
    case 'no-such-event':
      return 'What you want to take back is not in this instrument’s log.';
    case 'no-such-string':
      return `This instrument has ${refusal.stringCount} strings. Choose among those.`;
    case 'set-does-not-fit':
      return `${refusal.given} strings were described, and ${refusal.wanted} are meant. Choose a set with as many strings as the instrument.`;
    case 'no-bow':
      return 'This instrument is played without a bow.';
    case 'no-such-bow':
      return 'There is no such bow any more. Choose another on the instrument’s page.';
    case 'no-such-figure':
      return `${FIGURE_DATA[refusal.figure].title} is not measured on this instrument.`;
    case 'out-of-range': {
      const { title, least, most, unit } = FIGURE_DATA[refusal.figure];
      return `${title} lies between ${least} and ${most} ${unit}. Measure again, and check the unit.`;
    }
    case 'no-such-look':
      return `${LOOK_DATA[refusal.look].title}: that is not looked at on this instrument.`;
    case 'no-such-view':
      return 'This instrument has no such view. Choose another.';
    case 'no-action':
      return 'Only a harp is regulated.';
    case 'no-such-place':
      return 'There is no such room or case any more. Choose another under Air.';
  }
}
