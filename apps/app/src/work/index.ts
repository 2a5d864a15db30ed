/** The job page and the Bench, which share most of what they need, in one chunk: the list of jobs does without it. */
export { BenchList } from '../bench/BenchList'
export { BenchMate } from '../bench/BenchMate'
export { BenchPipe } from '../bench/BenchPipe'
export { BenchThread } from '../bench/BenchThread'
export { JobPage } from '../job/JobPage'
