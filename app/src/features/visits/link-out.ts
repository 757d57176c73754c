import { notify } from '@/state/notice';

/**
 * Takes a link to whom it is for: copied, or by what this device sends with.
 * @param url null: there is none
 * @param ask does it, and tells what went wrong
 * @param copied what is told once it is copied
 */
export function linkOut(url: string | null, ask: (work: () => Promise<void>) => Promise<void>, copied: string) {
  return {
    url,
    canSend: typeof navigator !== 'undefined' && 'share' in navigator,
    copyLink: () =>
      void ask(async () => {
        await navigator.clipboard.writeText(url!);
        notify(copied);
      }),
    // Closing the sheet of the device without choosing anything is no fault.
    sendLink: () => void navigator.share({ url: url! }).catch(() => undefined),
  };
}
