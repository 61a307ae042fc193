/** Debian's Chromium, and how it is started wherever the interface is driven. */
export const CHROMIUM_PATH = process.env.CHROMIUM_PATH ?? '/usr/bin/chromium';
export const CHROMIUM_ARGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
