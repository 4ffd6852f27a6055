/** How Chromium is started where there is no monitor and no network; also as root. */
export const chromiumFlags: readonly string[] = [
  '--no-sandbox',
  '--disable-gpu',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];
