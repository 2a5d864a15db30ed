/** The letter of a piece of pipe, by its place: A to Z, then AA and on. */
export const pieceLetter = (index: number): string =>
  (index >= 26 ? String.fromCharCode(64 + Math.floor(index / 26)) : '') +
  String.fromCharCode(65 + (index % 26))
