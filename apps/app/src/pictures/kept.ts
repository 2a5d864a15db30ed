import { toBase64 } from './base64'

const CACHE = 'pictures'

/** Where a picture of the shop is had from; the service worker answers for those that the phone has. */
export const addressOf = (id: string): string => `/api/pictures/${id}`

/** Keeps a picture on the phone, where it was taken here: it is seen without the shop's server. */
export async function keepPicture(id: string, base64: string, mediaType: string): Promise<void> {
  try {
    const cache = await caches.open(CACHE)
    await cache.put(addressOf(id), new Response(bytesOf(base64), { headers: { 'content-type': mediaType } }))
  } catch {
    // outside a secure context there is no such store; it is had from the server then
  }
}

/** What a picture holds, base64; null where neither the phone nor the server has it. */
export async function pictureText(id: string): Promise<string | null> {
  try {
    const kept = (await globalThis.caches?.match(addressOf(id))) ?? (await fetch(addressOf(id)))
    if (!kept.ok) return null
    return toBase64(new Uint8Array(await kept.arrayBuffer()))
  } catch {
    return null
  }
}

/** Who signs in next sees none of them. */
export async function forgetPictures(): Promise<void> {
  await globalThis.caches?.delete(CACHE).catch(() => false)
}

function bytesOf(base64: string): Uint8Array<ArrayBuffer> {
  return Uint8Array.from(atob(base64), (letter) => letter.charCodeAt(0))
}
