import { later } from '../../../ui/later'

export default later(async () => (await import('../../../work')).BenchTub)
