const ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** How Debian's Chromium is started: headless on a machine without a display, and silent towards the network. */
export const CHROMIUM = { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium', args: ARGS };

/** The same without the parts that only a window needs: a fifth of the interface tests' time. */
export const SHELL = { executablePath: process.env.CHROMIUM ?? '/usr/bin/chromium-headless-shell', args: ARGS };
