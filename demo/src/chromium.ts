/** Where Debian's package puts it, unless told otherwise. */
export const CHROMIUM_PATH = process.env.DOSSIER_CHROMIUM ?? '/usr/bin/chromium-headless-shell';

/** The one with windows, which keeps a profile. */
export const WHOLE_CHROMIUM_PATH = '/usr/bin/chromium';

/** Headless, as root, without a word to the outside. */
export const CHROMIUM_FLAGS = [
  '--no-sandbox',
  '--disable-gpu',
  '--no-first-run',
  '--disable-background-networking',
  '--disable-component-update',
  '--disable-sync',
  // A machine that is in no network is reached by a name that is not loopback's.
  '--host-resolver-rules=MAP outside.example 127.0.0.1',
];

/** Lets a film (YUV4MPEG2) stand in for the camera, without asking. */
export const cameraFlags = (film: string): string[] => [
  '--use-fake-device-for-media-stream',
  '--use-fake-ui-for-media-stream',
  `--use-file-for-fake-video-capture=${film}`,
];
