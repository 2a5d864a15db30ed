/** The job page and the Bench, which share most of what they need, in one chunk: the list of jobs does without it. */
export { BenchCuts } from '../bench/BenchCuts'
export { BenchList } from '../bench/BenchList'
export { BenchMate } from '../bench/BenchMate'
export { BenchOffset } from '../bench/BenchOffset'
export { BenchPipe } from '../bench/BenchPipe'
export { BenchPitch } from '../bench/BenchPitch'
export { BenchThread } from '../bench/BenchThread'
export { JobPage } from '../job/JobPage'
