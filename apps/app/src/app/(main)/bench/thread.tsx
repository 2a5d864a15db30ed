import { BenchThread } from '../../../bench/BenchThread'

export default BenchThread
