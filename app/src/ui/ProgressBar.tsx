import { Stack } from './layout';

/** How far something is that takes its time. @param percent 0 to 100 */
export function ProgressBar({ label, percent }: { label: string; percent: number }) {
  return (
    <Stack
      role="progressbar"
      aria-label={label}
      aria-valuemin={0}
      aria-valuemax={100}
      aria-valuenow={percent}
      height={6}
      ground="line"
    >
      <Stack width={`${percent}%`} height={6} ground="accent" />
    </Stack>
  );
}
