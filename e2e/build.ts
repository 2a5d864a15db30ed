import { prepareStack } from '../scripts/lib/stack.mjs'

/** Builds once, and makes once what every journey begins with, before several begin beside each other. */
export default prepareStack
