import { toBase64 } from './base64'

/** Longest side, pixels, and quality: the first that is small enough is kept. */
const STEPS = [
  [1600, 0.82],
  [1600, 0.65],
  [1280, 0.65],
  [1024, 0.6],
  [800, 0.5],
] as const
/** As base64 it is a third longer, and no document may be longer than 400 000. */
const MOST_BYTES = 290_000

export interface Shrunk {
  readonly base64?: string
  readonly fault?: 'unreadable' | 'too-large'
}

// the types of a page are loaded, and this runs in a worker
const scope = self as unknown as {
  onmessage: ((event: MessageEvent<Blob>) => void) | null
  postMessage(message: Shrunk): void
}

/** Drawn anew, so that nothing of where and by what it was taken is left in it. */
async function small(file: Blob): Promise<Shrunk> {
  const picture = await createImageBitmap(file, { imageOrientation: 'from-image' }).catch(() => null)
  if (!picture) return { fault: 'unreadable' }
  for (const [side, quality] of STEPS) {
    const scale = Math.min(1, side / Math.max(picture.width, picture.height))
    const [width, height] = [picture.width, picture.height].map((each) =>
      Math.max(1, Math.round(each * scale)),
    )
    const canvas = new OffscreenCanvas(width as number, height as number)
    const pen = canvas.getContext('2d')
    if (!pen) return { fault: 'unreadable' }
    // what is clear would turn black
    pen.fillStyle = '#fff'
    pen.fillRect(0, 0, canvas.width, canvas.height)
    pen.drawImage(picture, 0, 0, canvas.width, canvas.height)
    const blob = await canvas.convertToBlob({ type: 'image/jpeg', quality })
    if (blob.size > MOST_BYTES) continue
    return { base64: toBase64(new Uint8Array(await blob.arrayBuffer())) }
  }
  return { fault: 'too-large' }
}

scope.onmessage = async ({ data }) => scope.postMessage(await small(data))
