import type { DataSource } from 'typeorm'
import { inShop } from './database'
import { type DocumentRow, documents } from './schemas'
import { asRow } from './work'

/** A picture or text as it is kept. */
export interface Picture {
  readonly mediaType: string
  readonly bytes: Buffer
}

/** What an attachment of the shop holds; null where the shop has none of that id, or has removed it. */
export async function pictureOf(database: DataSource, shopId: string, id: string): Promise<Picture | null> {
  return inShop(database, shopId, async (manager) => {
    const row = await manager
      .getRepository<DocumentRow>(documents.attachment)
      .findOne({ where: asRow({ shopId, id, removed: false }) })
    return row
      ? { mediaType: String(row.mediaType), bytes: Buffer.from(String(row.content), 'base64') }
      : null
  })
}
