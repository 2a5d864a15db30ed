import type { CodeProfile } from '../mate/types'
import { TEST_PRESSURES } from '../reference/testPressure'
import { say } from './say'

const SENTENCE =
  'The code says how high and how long: {title}{bar, select, 0 {} other {, so {bar} bar}}, for {minutes} minutes ({certainty}: verify).'

/** How high and how long a line is held by a code, in one sentence with its source. */
export function testPressureText(profile: CodeProfile = 'IPC'): string {
  const { leastKpa, minutes, source } = TEST_PRESSURES[profile]
  const { title, certainty } = source
  return say(SENTENCE, { title, certainty, minutes, bar: (leastKpa ?? 0) / 100 }, 'mm')
}
