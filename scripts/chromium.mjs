import { existsSync } from 'node:fs';
import { installPackages } from './debian.mjs';

/** Chromium without its windows takes two thirds of the time of the whole browser. */
const shell = '/usr/bin/chromium-headless-shell';
const whole = '/usr/bin/chromium';

/**
 * Finds Chromium, installing Debian's where it is missing and this user may: the headless shell, or the whole
 * browser where there is no package of it. Says what to do where neither works.
 */
export function chromium() {
  const named = process.env.ARBEIT_CHROMIUM;
  const places = named ? [named] : [shell, whole];
  const found = () => places.find((path) => existsSync(path));
  if (!named && !existsSync(shell)) installPackages(['chromium-headless-shell']);
  if (!named && !found()) installPackages(['chromium']);
  const path = found();
  if (path) return path;
  process.stderr.write(
    `There is no Chromium at ${named ?? whole}. Install your system’s package, or name one with ARBEIT_CHROMIUM.\n`,
  );
  process.exit(1);
}

/**
 * The other browsers the tests drive, and what they need without a monitor: programs by the Debian package
 * each is in.
 */
const others = {
  chromium: whole,
  'firefox-esr': '/usr/bin/firefox-esr',
  'webkit2gtk-driver': '/usr/bin/WebKitWebDriver',
  xvfb: '/usr/bin/Xvfb',
  xdotool: '/usr/bin/xdotool',
};

/** Finds Firefox and WebKit the same way. */
export function otherBrowsers() {
  const missing = () => Object.entries(others).filter(([, path]) => !existsSync(path));
  if (missing().length) installPackages(missing().map(([name]) => name));
  const still = missing();
  if (still.length === 0) return;
  process.stderr.write(
    `The browser tests need ${still.map(([name, path]) => `${path} (Debian package ${name})`).join(', ')}. Install them and run the tests again.\n`,
  );
  process.exit(1);
}
