/** Severity words follow ANSI Z535.6 (from memory), strongest first. */
export const SEVERITIES = ['DANGER', 'WARNING', 'CAUTION', 'NOTICE'] as const
export type Severity = (typeof SEVERITIES)[number]
