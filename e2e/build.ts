import { buildServer, buildWeb } from '../scripts/lib/build.mjs'

/** Builds once, before several journeys begin beside each other. */
export default async function build(): Promise<void> {
  await Promise.all([buildWeb(), buildServer()])
}
