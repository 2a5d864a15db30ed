// before the printer is loaded
import './importMeta'
import type { JobFile } from '@diarmos/contract'
import { agreedBlocks, print, sheetBlocks } from '@diarmos/sheet'

/** What is to be printed, and where the letters lie. */
export interface SheetQuestion {
  readonly kind: 'job' | 'agreed'
  readonly file: JobFile
  readonly shopName: string
  readonly letters: { readonly regular: string; readonly bold: string }
}
export type SheetAnswer = { readonly pdf: Uint8Array } | { readonly fault: string }

const scope = self as unknown as {
  onmessage: ((event: MessageEvent<SheetQuestion>) => void) | null
  postMessage(message: SheetAnswer): void
}
const BLOCKS = { job: sheetBlocks, agreed: agreedBlocks } as const

async function letters(url: string): Promise<Uint8Array> {
  const found = await fetch(url)
  if (!found.ok) throw new Error(`no letters at ${url}`)
  return new Uint8Array(await found.arrayBuffer())
}

scope.onmessage = async ({ data: { kind, file, shopName, letters: from } }) => {
  try {
    const [regular, bold] = await Promise.all([letters(from.regular), letters(from.bold)])
    const pdf = await print(String(file.job.title), BLOCKS[kind](file, shopName), { regular, bold })
    scope.postMessage({ pdf })
  } catch (error) {
    scope.postMessage({ fault: error instanceof Error ? error.message : String(error) })
  }
}
