import { humidityWords } from '@/copy/measures';

/** What features/air/ReadingSheet.tsx says. */
export const copy = {
  isOnRecord: (rh: number, digits: number, sent: boolean) =>
    `${humidityWords(rh, digits)} ${sent ? 'is on record.' : 'is kept on this device, and sent when the server is back.'}`,
  readAHygrometer: 'Read a hygrometer',
  lowestIfItSays: 'Lowest, if it says',
  highestIfItSays: 'Highest, if it says',
  lowestAndHighestSince:
    'Lowest and highest since the last look; set its memory back afterwards. The temperature may be left out.',
} as const;
