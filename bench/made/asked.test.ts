import { mate } from '@diarmos/core'
import { faultOfPlan } from '../laws/planned'
import { someQuestion } from '../laws/questions'

// a union that was drawn before what is screwed on beyond it; what slides in cement before its union; two ends of a run
// that waited for each other
it.each([2805, 3162, 5439, 6476, 7101, 8517, 8850, 10450])('question %s: every way has an order', (index) => {
  const question = someQuestion(index)
  const [line] = question.lines
  const options = mate(question).lines[0]?.options ?? []
  expect(options.length).toBeGreaterThan(4)
  for (const option of options)
    expect([option.id, faultOfPlan(line, option, question.settings.jointMinutes)]).toEqual([option.id, null])
})
