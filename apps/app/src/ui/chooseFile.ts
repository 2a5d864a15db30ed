/** Asks for files of the person's own: none where they leave without any. */
export function chooseFiles(accept: string, multiple: boolean): Promise<readonly File[]> {
  return new Promise((resolve) => {
    const input = Object.assign(document.createElement('input'), { type: 'file', accept, multiple })
    input.onchange = () => resolve([...(input.files ?? [])])
    input.oncancel = () => resolve([])
    input.click()
  })
}

/** Asks for one file; null where the person leaves without. */
export async function chooseFile(accept: string): Promise<File | null> {
  return (await chooseFiles(accept, false))[0] ?? null
}
