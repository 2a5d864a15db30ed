import { BenchList } from '../../../bench/BenchList'

export default BenchList
