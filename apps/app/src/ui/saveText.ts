/** Hands a text to the person as a file of its own. */
export function saveText(name: string, mediaType: string, text: string): void {
  const url = URL.createObjectURL(new Blob([text], { type: mediaType }))
  const link = document.createElement('a')
  link.href = url
  link.download = name
  link.click()
  URL.revokeObjectURL(url)
}
