/** The browser the tests and pictures are made with: Debian's, the shell without a window where it is there, as it is much quicker. */
import { existsSync } from 'node:fs';

const SHELL = '/usr/bin/chromium-headless-shell';

export const browserPath = (): string => process.env.CHROMIUM_PATH ?? (existsSync(SHELL) ? SHELL : '/usr/bin/chromium');
