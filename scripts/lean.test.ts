import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'

const APP = path.resolve(__dirname, '../apps/app')
const UNUSED: readonly string[] = require(`${APP}/web/unused.js`)

function* files(folder: string): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name)
    if (entry.isDirectory()) yield* files(full)
    else if (/\.tsx?$/.test(entry.name)) yield full
  }
}

describe('what the first download leaves out', () => {
  it('is used by no screen: it would draw nothing there', () => {
    const asked = [...files(`${APP}/src`)].flatMap((file) =>
      [...readFileSync(file, 'utf8').matchAll(/import \{([^}]*)\} from 'react-native'/g)].flatMap(
        ([, names]) =>
          (names ?? '').split(',').map((name) =>
            name
              .trim()
              .replace(/^type /, '')
              .replace(/ as .*/, ''),
          ),
      ),
    )
    expect(new Set(asked).size).toBeGreaterThan(8)
    expect(asked.filter((name) => name === 'Animated' || UNUSED.includes(name))).toEqual([])
  })
})
