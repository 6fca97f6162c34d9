/** What every field has that a line is said in: nothing corrects it, and it is as long as anybody says. */
export const LINE_FIELD = { autoComplete: 'off', autoCapitalize: 'none', spellCheck: false, maxLength: 200 } as const
