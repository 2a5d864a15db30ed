/** Asks for pictures: the platform offers its camera and its files. Nothing where the person leaves without any. */
export function choosePictures(): Promise<readonly File[]> {
  return new Promise((resolve) => {
    const input = document.createElement('input')
    input.type = 'file'
    input.accept = 'image/*'
    input.multiple = true
    input.onchange = () => resolve([...(input.files ?? [])])
    input.oncancel = () => resolve([])
    input.click()
  })
}
