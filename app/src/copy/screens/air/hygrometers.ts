import type { Sensor } from '@tembrin/contract';
/** What features/air/Hygrometers.tsx says. */
export const copy = {
  addAHygrometer: 'Add a hygrometer',
  addARoomFirst: 'Add a room first',
  anyHygrometerWillDo:
    'Any hygrometer will do, a dial in the case or one that logs. One whose memory keeps lows and highs tells most.',
  nothingReadYet: 'nothing read yet',
  giveItAName: 'Give it a name.',
  howItIsRead: 'How it is read',
  whereItHangs: 'Where it hangs',
} as const;

export const SENSOR_KIND_NAMES: Readonly<Record<Sensor['kind'], string>> = {
  hand: 'Read by hand',
  logger: 'A logger whose files are imported',
  post: 'One that sends by itself',
};
