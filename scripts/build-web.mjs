import { buildWeb } from './lib/build.mjs'

await buildWeb({ force: true })
