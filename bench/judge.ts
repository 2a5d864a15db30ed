// npm run bench:judge [-- --from=0 --count=200 --ways=1 --orders=false]: prints what is answered, to be read as a master plumber would;
// with --orders=true the order in which the first ways are made, those alike once.

import { mate } from '@diarmos/core'
import { arg } from './arg'
import { judged } from './judge/questions'
import { asked, chainOf, ordered, priced } from './judge/said'

const from = Number(arg('from', '0'))
const ways = Number(arg('ways', '1'))
const orders = arg('orders', 'false') === 'true'
const alike = new Map<string, string[]>()
for (let index = from; index < from + Number(arg('count', '200')); index++) {
  const question = judged(index)
  const [line] = mate(question.request).lines
  if (orders) {
    const [first] = line?.options ?? []
    if (!first) continue
    const { order, minutes } = ordered(question, first)
    alike.set(order, [...(alike.get(order) ?? []), `${index}. ${chainOf(first)} (${minutes})`])
    continue
  }
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

for (const [order, questions] of alike) {
  console.log(`\n${questions.join('\n')}`)
  console.log(`     ${order}`)
}
