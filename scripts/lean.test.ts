import { readdirSync, readFileSync } from 'node:fs'
import path from 'node:path'

const APP = path.resolve(__dirname, '../apps/app')
const UNUSED: readonly string[] = require(`${APP}/web/unused.js`)

function* files(folder: string, named = /\.tsx?$/): Generator<string> {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    const full = path.join(folder, entry.name)
    if (entry.isDirectory()) yield* files(full, named)
    else if (named.test(entry.name)) yield full
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

  it('copies properties as the library does: what copies them there has no getters', () => {
    const DIST = path.resolve(__dirname, '../node_modules/react-native-web/dist')
    // the other half of the package is the same for another module system; what moves by itself is not shipped
    const copying = [...files(DIST, /\.js$/)]
      .filter((file) => !/[\\/](cjs|Animated)[\\/]/.test(file))
      .map((file) => readFileSync(file, 'utf8'))
      .filter((text) => text.includes('helpers/objectSpread2'))
    expect(copying.length).toBeGreaterThan(10)
    expect(copying.filter((text) => /\b[gs]et \w+\(/.test(text))).toEqual([])
  })
})
