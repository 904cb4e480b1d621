/** The browser of the tests, and one whose microphone plays a file, for those that listen. */
import { chromiumPath } from '../../scripts/lib/install.mjs';

/** Debian's Chromium without a face, which starts faster and draws no window; the whole one where it is not there. */
export const BROWSER = chromiumPath() ?? '';

/** Switches of every browser that tests start. */
const FLAGS = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** Switches of those that do not listen: pages on two full cores gain nothing from threads beside, nor from processes in store. */
export const QUIET_FLAGS = [
  ...FLAGS,
  '--js-flags=--single-threaded',
  '--disable-site-isolation-trials',
  '--disable-features=SpareRendererForSitePerProcess,site-per-process',
];

/** For `test.use`: permission given, the file heard in a loop. */
export const microphone = (path: string) => ({
  permissions: ['microphone'],
  launchOptions: {
    executablePath: BROWSER,
    args: [
      ...FLAGS,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${path}`,
    ],
  },
});
