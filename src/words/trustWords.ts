/** How a device learns to trust the shop's own authority: three sentences for each kind. */
export const TRUST_STEPS: readonly { device: string; sentences: readonly [string, string, string] }[] = [
  {
    device: 'A tablet or phone that installs certificates from its settings',
    sentences: [
      'Download the certificate.',
      'Open the settings, search for “certificate”, and choose to install one of an authority (CA) from a file.',
      'Pick the downloaded file and confirm with the code that unlocks the screen.',
    ],
  },
  {
    device: 'A tablet or phone that asks to allow a profile',
    sentences: [
      'Download the certificate and allow the profile.',
      'Open the settings, choose the downloaded profile at the top, and install it.',
      'Then, in the settings under General, About, Certificate trust, switch it on for full trust.',
    ],
  },
  {
    device: 'A computer at the desk',
    sentences: [
      'Download the certificate and open the file.',
      'Install it for this computer, among the trusted root authorities.',
      'Close every window of the browser and open it again.',
    ],
  },
  {
    device: 'A browser with a list of its own',
    sentences: [
      'Download the certificate.',
      'Open the browser’s settings, search for “certificates”, and open the list of authorities.',
      'Import the file there and tick that it may identify websites.',
    ],
  },
]

/** "AB:CD:…" in groups that two people can read to each other: eight pairs a line. */
export function fingerprintLines(fingerprint: string): string[] {
  const pairs = fingerprint.split(':')
  return Array.from({ length: Math.ceil(pairs.length / 8) }, (_, i) => pairs.slice(i * 8, i * 8 + 8).join(' '))
}

/** What does not work where a page came over plain http. */
export const PLAIN_HTTP =
  'This address is not encrypted: others on the network can read along, and spoken notes and keeping the screen lit don’t work; ask the owner for the shop’s https address.'
