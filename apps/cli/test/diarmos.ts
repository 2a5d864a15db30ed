import { spawnSync } from 'node:child_process'
import { mkdtempSync, rmSync } from 'node:fs'
import { tmpdir } from 'node:os'
import path from 'node:path'

const root = path.resolve(__dirname, '../../..')
let file = ''

/** The command line in one file: from its sources each question would translate the whole core anew. */
function built(): string {
  if (file !== '') return file
  const out = path.join(mkdtempSync(path.join(tmpdir(), 'diarmos-cli-')), 'diarmos.mjs')
  const { status, stderr } = spawnSync(
    path.join(root, 'node_modules/.bin/esbuild'),
    [
      'apps/cli/src/main.ts',
      '--bundle',
      '--platform=node',
      '--format=esm',
      `--outfile=${out}`,
      '--log-level=error',
    ],
    { cwd: root, encoding: 'utf8' },
  )
  if (status !== 0) throw new Error(stderr)
  file = out
  return file
}

/** Throws away what was built for the questions of a file. */
export function tidy(): void {
  if (file !== '') rmSync(path.dirname(file), { recursive: true })
  file = ''
}

/** Asks the command line as from a shell: what it is told, and what it reads. */
export const diarmos = (args: readonly string[], input = '') =>
  spawnSync(process.execPath, [built(), ...args], { cwd: root, input, encoding: 'utf8' })

/** The same as `npm run diarmos` starts it, from its sources. */
export const diarmosFromSources = (args: readonly string[], input = '') =>
  spawnSync(process.execPath, ['--import', 'tsx', 'apps/cli/src/main.ts', ...args], {
    cwd: root,
    input,
    encoding: 'utf8',
  })
