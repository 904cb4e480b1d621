/** A browser whose microphone plays a file, for tests that listen. */

/** Switches of every browser that tests start. */
export const FLAGS = [
  '--no-sandbox',
  '--disable-quic',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
];

/** For `test.use`: permission given, the file heard in a loop. */
export const microphone = (path: string) => ({
  permissions: ['microphone'],
  launchOptions: {
    executablePath: '/usr/bin/chromium',
    args: [
      ...FLAGS,
      '--use-fake-device-for-media-stream',
      '--use-fake-ui-for-media-stream',
      `--use-file-for-fake-audio-capture=${path}`,
    ],
  },
});
