// before the printer is loaded
import './importMeta'
import type { HouseFile, JobFile } from '@diarmos/contract'
import type { LengthUnit } from '@diarmos/core'
import { agreedBlocks, type Block, cutsCsv, houseBlocks, partsCsv, print, sheetBlocks } from '@diarmos/sheet'

/** What is to be printed, or written as a table, and where the letters lie. */
export type SheetQuestion = {
  readonly shopName: string
  /** In which lengths are read. */
  readonly unit: LengthUnit
  /** At the foot of every page. */
  readonly title: string
  readonly letters: { readonly regular: string; readonly bold: string }
} & (
  | { readonly kind: 'job' | 'agreed' | 'parts' | 'cuts'; readonly file: JobFile }
  | { readonly kind: 'house'; readonly file: HouseFile }
)
export type SheetAnswer = { readonly bytes: Uint8Array } | { readonly fault: string }

// the types of a page are loaded, and this runs in a worker
const scope = self as unknown as {
  onmessage: ((event: MessageEvent<SheetQuestion>) => void) | null
  postMessage(message: SheetAnswer): void
}

function blocksOf(question: SheetQuestion): readonly Block[] {
  if (question.kind === 'house') return houseBlocks(question.file, question.shopName)
  return (question.kind === 'job' ? sheetBlocks : agreedBlocks)(
    question.file,
    question.shopName,
    question.unit,
  )
}

async function letters(url: string): Promise<Uint8Array> {
  const found = await fetch(url)
  if (!found.ok) throw new Error(`no letters at ${url}`)
  return new Uint8Array(await found.arrayBuffer())
}

scope.onmessage = async ({ data }) => {
  try {
    if (data.kind === 'parts' || data.kind === 'cuts') {
      const text = data.kind === 'parts' ? partsCsv(data.file) : cutsCsv(data.file)
      // with a mark by which spreadsheets know the letters
      scope.postMessage({ bytes: new TextEncoder().encode(`\uFEFF${text}`) })
      return
    }
    const [regular, bold] = await Promise.all([data.letters.regular, data.letters.bold].map(letters))
    if (!regular || !bold) throw new Error('no letters')
    const bytes = await print(data.title, blocksOf(data), { regular, bold })
    scope.postMessage({ bytes })
  } catch (error) {
    scope.postMessage({ fault: error instanceof Error ? error.message : String(error) })
  }
}
