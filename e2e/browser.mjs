/** Debian's Chromium without a window: the same pages as the browser with one, with a fifth less work for the machine. */
export const BROWSER = '/usr/bin/chromium-headless-shell'
