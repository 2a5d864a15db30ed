import { buildWeb } from './lib/build.mjs'

await buildWeb({ force: !process.argv.includes('--if-changed') })
