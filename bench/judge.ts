// npm run bench:judge [-- --from=0 --count=200 --ways=1]: prints what is answered, to be read as a master plumber would.

import { mate } from '@diarmos/core'
import { arg } from './arg'
import { judged } from './judge/questions'
import { asked, chainOf, priced } from './judge/said'

const from = Number(arg('from', '0'))
const ways = Number(arg('ways', '1'))
for (let index = from; index < from + Number(arg('count', '200')); index++) {
  const question = judged(index)
  const [line] = mate(question.request).lines
  console.log(`\n${index}. ${asked(question)}`)
  for (const way of line?.options.slice(0, ways) ?? []) console.log(`   ${chainOf(way)}  [${priced(way)}]`)
  if (line && line.options.length > 0) continue
  console.log('   NONE')
  const refused = (line?.refusals ?? []).map(({ method, reason }) => `${method} ${reason.ruleId}`)
  console.log(`     not: ${refused.join(', ')}`)
  for (const { changes, missingMm, gives } of line?.remedies ?? [])
    console.log(
      `     ${changes.join(' + ')} ${missingMm?.toFixed(0) ?? ''} → ${gives.removalId} ${gives.methods.join(' ')}`,
    )
}
