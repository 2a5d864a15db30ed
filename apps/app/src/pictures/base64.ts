/** As many letters as a call takes arguments, with room to spare. */
const CHUNK = 8192

/** Bytes as base64; a picture is too long for one call. */
export function toBase64(bytes: Uint8Array): string {
  let text = ''
  for (let at = 0; at < bytes.length; at += CHUNK)
    text += String.fromCharCode(...bytes.subarray(at, at + CHUNK))
  return btoa(text)
}
