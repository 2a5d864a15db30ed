import type { JobView } from '../data/select'
import { type Edit, edit } from '../data/store'
import { Choice } from '../ui/Choice'

const MONTHS = ['0', '3', '12', '24'] as const
const WORDS = { '0': 'none', '3': '3 months', '12': '1 year', '24': '2 years' } as const

/** How long the shop stands by the work, from the day on which the job is closed. */
export function WarrantyPart({ view }: { view: JobView }) {
  const warranty = view.job.fields.warranty ?? null
  const own = warranty && !(String(warranty.months) in WORDS) ? [String(warranty.months)] : []
  return (
    <Choice
      label="Warranty on the work"
      value={warranty ? String(warranty.months) : null}
      options={[...MONTHS, ...own].map((months) => ({
        value: months,
        label: WORDS[months as keyof typeof WORDS] ?? `${months} months`,
      }))}
      columns={4}
      onChange={(months) => {
        const same = warranty && String(warranty.months) === months
        const patch = { warranty: same ? null : { months: Number(months), note: warranty?.note ?? '' } }
        void edit([{ kind: 'job', id: view.job.id, patch } as Edit], 'Warranty kept')
      }}
    />
  )
}
