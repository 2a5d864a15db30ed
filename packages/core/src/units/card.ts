/** A bank or library card, mm. Source: ISO/IEC 7810, format ID-1. */
export const CARD_MM = { long: 85.6, short: 53.98 } as const
