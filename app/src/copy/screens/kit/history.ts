import { clockWords, dateWords } from '@/copy/dates';

/** What features/kit/History.tsx says. */
export const copy = {
  enterASession: 'Enter a session',
  nothingYetStartPlaying: 'Nothing yet. Start playing on Now, or enter a session you played earlier.',
  hideWhatWasRetracted: 'Hide what was retracted',
  showWhatWasRetracted: (retracted: number) => `Show what was retracted (${retracted})`,
  fromStillRunning: (beganAt: number, timeZone: string) => `from ${clockWords(beganAt, timeZone)}, still running`,
  correctOrRetractThe: ({
    beganAt,
    nowMs,
    timeZone,
    text,
  }: {
    beganAt: number;
    nowMs: number;
    timeZone: string;
    text: string;
  }) => `Correct or retract the session of ${dateWords(beganAt, nowMs, timeZone)}, ${text}`,
  closingRoundOf: ({
    done,
    steps,
    corrected,
    entered,
  }: {
    done: number;
    steps: number;
    corrected: boolean;
    entered: boolean;
  }) => `Closing round ${done} of ${steps}${corrected ? ' · corrected' : entered ? ' · entered afterwards' : ''}`,
} as const;
