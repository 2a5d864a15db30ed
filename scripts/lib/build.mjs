// Builds the web application and the server, and skips what has not changed.
import { createHash } from 'node:crypto'
import { existsSync, mkdirSync, readdirSync, readFileSync, rmSync, statSync, writeFileSync } from 'node:fs'
import path from 'node:path'
import { brotliCompressSync, constants, gzipSync } from 'node:zlib'
import { Refusal, ROOT, run } from './machine.mjs'

export const WEB = path.join(ROOT, 'apps/app/dist')
export const SERVER = path.join(ROOT, 'apps/server/dist/main.mjs')

function* files(folder) {
  for (const entry of readdirSync(folder, { withFileTypes: true })) {
    // what the build itself writes beside its sources says nothing of them
    if (['node_modules', 'dist', '.expo', 'expo-env.d.ts', 'nativewind-env.d.ts'].includes(entry.name))
      continue
    const full = path.join(folder, entry.name)
    if (entry.isDirectory()) yield* files(full)
    else yield full
  }
}

/** One word for everything that goes into a build. */
function fingerprint(folders) {
  const hash = createHash('sha256')
  const sources = folders.flatMap((folder) => [...files(path.join(ROOT, folder))])
  for (const file of [...sources, path.join(ROOT, 'package-lock.json')].sort()) {
    if (/\.test\.tsx?$/.test(file)) continue
    hash.update(path.relative(ROOT, file)).update(readFileSync(file))
  }
  return hash.digest('hex')
}

function compress(folder) {
  for (const file of files(folder)) {
    if (!/\.(js|css|html|json|svg|ttf|map)$/.test(file) || statSync(file).size < 1024) continue
    const content = readFileSync(file)
    writeFileSync(`${file}.gz`, gzipSync(content, { level: 9 }))
    writeFileSync(
      `${file}.br`,
      brotliCompressSync(content, { params: { [constants.BROTLI_PARAM_QUALITY]: 9 } }),
    )
  }
}

async function serviceWorker() {
  const { generateSW } = await import('workbox-build')
  await generateSW({
    globDirectory: WEB,
    globPatterns: ['**/*.{html,js,css,ttf,png,svg,ico,json,webmanifest}'],
    swDest: path.join(WEB, 'sw.js'),
    // what was seen once is seen again without the server; it goes when the person leaves
    runtimeCaching: [
      {
        urlPattern: /\/api\/pictures\/[0-9a-f-]+$/,
        handler: 'CacheFirst',
        options: { cacheName: 'pictures', expiration: { maxEntries: 400 } },
      },
    ],
    navigateFallback: '/index.html',
    navigateFallbackDenylist: [/^\/api\//],
    inlineWorkboxRuntime: true,
    sourcemap: false,
    clientsClaim: true,
    skipWaiting: true,
    cleanupOutdatedCaches: true,
    maximumFileSizeToCacheInBytes: 6_000_000,
    dontCacheBustURLsMatching: /\.[0-9a-f]{32}\.|-[0-9a-f]{32}\./,
  })
}

/** The exported application with its service worker. */
export async function buildWeb({ force = false } = {}) {
  const stamp = path.join(WEB, '.stamp')
  const print = fingerprint(['apps/app', 'packages', 'scripts/lib'])
  if (!force && existsSync(stamp) && readFileSync(stamp, 'utf8') === print) return
  console.log('Building the application …')
  rmSync(WEB, { recursive: true, force: true })
  const env = { ...process.env, CI: '1', EXPO_NO_TELEMETRY: '1', EXPO_OFFLINE: '1', NODE_ENV: 'production' }
  const status = run(
    path.join(ROOT, 'node_modules/.bin/expo'),
    ['export', '--platform', 'web', '--output-dir', 'dist'],
    { cwd: path.join(ROOT, 'apps/app'), env, stdio: ['ignore', 'ignore', 'inherit'] },
  )
  if (status !== 0) throw new Refusal('The application could not be built.')
  await serviceWorker()
  compress(WEB)
  writeFileSync(stamp, print)
}

/** The server in one file. */
export async function buildServer() {
  const { build } = await import('esbuild')
  mkdirSync(path.dirname(SERVER), { recursive: true })
  await build({
    // the solver's threads load a file of their own
    entryPoints: {
      main: path.join(ROOT, 'apps/server/src/main.ts'),
      solve: path.join(ROOT, 'apps/server/src/solve/solve.worker.ts'),
    },
    outdir: path.dirname(SERVER),
    outExtension: { '.js': '.mjs' },
    bundle: true,
    platform: 'node',
    target: 'node20',
    format: 'esm',
    sourcemap: true,
    logLevel: 'error',
    // natives, and what finds its own files beside itself
    external: [
      '@node-rs/argon2',
      'pg',
      'pdfkit',
      'pdfkit/output',
      'svg-to-pdfkit',
      'typeorm',
      'pino',
      'piscina',
      'rate-limiter-flexible',
    ],
  })
}
