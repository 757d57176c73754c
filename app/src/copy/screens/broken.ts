/** What features/Broken.tsx says. */
export const copy = {
  thisPageFailed: 'This page failed',
  reload: 'Reload it',
  whatYouRecorded:
    'What you recorded is kept. Reload the page; if it fails again, the server may be being renewed: try in a minute.',
} as const;
