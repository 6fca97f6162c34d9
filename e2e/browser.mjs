/**
 * Debian's Chromium without a window, for tests: a fifth less work for the machine. It spaces letters a little
 * otherwise, so pictures and times are taken with the whole browser.
 */
export const BROWSER = '/usr/bin/chromium-headless-shell'
