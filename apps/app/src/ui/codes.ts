/** Published model codes that reasons and tables may quote, as they are chosen. */
export const CODES = ['IPC', 'UPC', 'EN'] as const
export const CODE_CHOICES = CODES.map((value) => ({ value, label: value }))
