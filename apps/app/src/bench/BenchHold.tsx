import { HoldPanel } from '../hold/HoldPanel'
import { useHold } from '../hold/useHold'
import { BenchFrame } from './BenchFrame'

/** A line under pressure and its gauge, without a job. */
export function BenchHold() {
  const hold = useHold('bench', null, false)
  return (
    <BenchFrame
      title="Pressure hold"
      fault={null}
      error={hold.solved.error}
      operation="hold"
      request={hold.request}
    >
      <HoldPanel hold={hold} />
    </BenchFrame>
  )
}
