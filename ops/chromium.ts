/** The browser of tests, pictures and measurements: Debian's. */
import { existsSync } from 'node:fs';

const SHELL = '/usr/bin/chromium-headless-shell';

/** Without the parts that draw a window it does a tenth less; where only the whole browser is installed, that. */
export const CHROMIUM = existsSync(SHELL) ? SHELL : '/usr/bin/chromium';
