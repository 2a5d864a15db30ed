import { BenchPipe } from '../../../bench/BenchPipe'

export default BenchPipe
