/** Hands a file to the person: by the platform's own sharing where fingers hold it, else as a download. */
export async function saveFile(name: string, mediaType: string, content: string | Uint8Array): Promise<void> {
  const file = new File([content as BlobPart], name, { type: mediaType })
  const held = globalThis.matchMedia?.('(pointer: coarse)').matches ?? false
  if (held && navigator.canShare?.({ files: [file] })) {
    try {
      await navigator.share({ files: [file] })
      return
    } catch (error) {
      // who changed their mind wants no download either
      if ((error as Error).name === 'AbortError') return
    }
  }
  const url = URL.createObjectURL(file)
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}
