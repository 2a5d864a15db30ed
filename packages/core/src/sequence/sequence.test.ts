import { METHODS } from '../assembly/methods/table'
import { mate } from '../mate'
import { line, STUBS, WELL_EQUIPPED } from '../mate/test/problems'
import { pipeById } from '../reference'
import { STEPS, stepText } from '../words'
import { type PlanLine, sequence } from './index'

const { houseRules } = WELL_EQUIPPED

/** Plans for the first ways of a pipe, hot and cold alike. */
function plans(pipeId: string, ways: number) {
  const pipe = pipeById(pipeId)
  if (!pipe) throw new Error(pipeId)
  const request = line(pipeId, { service: 'hot', plateMm: 3 })
  const options = mate({ lines: [request], settings: WELL_EQUIPPED, k: ways }).lines[0]?.options ?? []
  return options.map((option) => {
    const lines: PlanLine[] = ['hot', 'cold'].map((lineId) => ({
      lineId,
      material: pipe.material,
      conditions: { ...request.conditions, service: lineId as 'hot' },
      option,
    }))
    return { option, lines, plan: sequence({ lines, houseRules, oldSolder: true }) }
  })
}

describe('the order of work', () => {
  const all = STUBS.filter((pipe) => ['1/2', '3/4', '15', '28'].includes(pipe.nominal)).flatMap((pipe) =>
    plans(pipe.id, 6),
  )

  it('keeps every step of every joint once, and what each says comes first', () => {
    for (const { lines, plan } of all) {
      expect(new Set(plan.steps.map((step) => step.id)).size).toBe(plan.steps.length)
      const at = new Map(plan.steps.map((step) => [step.id, step]))
      for (const { lineId, option } of lines)
        option.joints.forEach((joint, seam) => {
          const method = METHODS.find((entry) => entry.id === joint.method)
          for (const template of method?.steps ?? []) {
            const step = at.get(`${lineId}/${seam}/${template.key}`)
            if (!step) {
              expect(template.onlySoft).toBe(true)
              continue
            }
            for (const before of template.after ?? []) {
              const first = at.get(`${lineId}/${seam}/${before}`)
              if (first) expect(first.endSeconds).toBeLessThanOrEqual(step.startSeconds)
            }
          }
        })
    }
  })

  it('has nuts, rings and plates on before the joint closes', () => {
    for (const { plan } of all)
      for (const captive of plan.steps.filter((step) => step.captive)) {
        const seam = captive.seam ?? 0
        const close = plan.steps.find((step) => step.id === `${captive.lineId}/${seam}/close`)
        expect(captive.endSeconds).toBeLessThanOrEqual(close?.startSeconds ?? -1)
      }
  })

  it('has the flame out before anything it would spoil is near', () => {
    for (const { option, lines, plan } of all) {
      const flames = option.joints.flatMap((joint, seam) => (joint.method === 'sweat' ? [seam] : []))
      for (const { lineId } of lines)
        for (const seam of flames)
          option.joints.forEach((joint, other) => {
            if (!['push-fit', 'crimp', 'cinch', 'expansion', 'cement', 'swivel'].includes(joint.method))
              return
            const find = (s: number) => plan.steps.find((step) => step.id === `${lineId}/${s}/close`)
            expect(find(seam)?.endSeconds).toBeLessThanOrEqual(find(other)?.startSeconds ?? -1)
          })
    }
  })

  it('lets water back only when every joint up to the stops is made, cooled and cured', () => {
    for (const { option, lines, plan } of all) {
      const restore = plan.steps.find((step) => step.id === 'general/restore')
      for (const { lineId } of lines)
        option.joints.forEach((joint, seam) => {
          if (!joint.beforeStop) return
          for (const step of plan.steps.filter((entry) => entry.id.startsWith(`${lineId}/${seam}/`)))
            expect(step.endSeconds).toBeLessThanOrEqual(restore?.startSeconds ?? -1)
        })
    }
  })

  it('never undercuts the bound that the mating promised, nor its own', () => {
    for (const { option, plan } of all) {
      expect(plan.waterOff.seconds).toBeGreaterThanOrEqual(option.waterOffSeconds)
      expect(plan.waterOff.seconds).toBeGreaterThanOrEqual(plan.waterOff.boundSeconds)
    }
  })

  it('never asks one pair of hands to do two things at once', () => {
    for (const { plan } of all) {
      const hands = plan.steps.filter((step) => !step.passive).sort((a, b) => a.startSeconds - b.startSeconds)
      hands.slice(1).forEach((step, index) => {
        expect(step.startSeconds).toBeGreaterThanOrEqual(hands[index]?.endSeconds ?? 0)
      })
    }
  })

  it('has a sentence for every step', () => {
    for (const { plan } of all) for (const step of plan.steps) expect(STEPS[step.words]).toBeDefined()
  })

  it('says what the shop has chosen where schools differ, and leaves no hole in any sentence', () => {
    for (const { plan } of all)
      for (const step of plan.steps) expect(stepText(step, 'in')).not.toMatch(/[{}]/)
    const steel = plans('galvanised.40.1/2', 1)[0]
    const text = (threadSeal: 'tape' | 'paste') =>
      sequence({ lines: steel?.lines ?? [], houseRules: { ...houseRules, threadSeal } })
        .steps.filter((step) => step.words === 'thread.seal')
        .map((step) => stepText(step, 'in'))
    expect(text('paste')[0]).toMatch(/^Paste on/)
    expect(text('tape')[0]).toMatch(/^Tape on/)
  })

  it('follows the house rule on rechecks', () => {
    const first = plans('copper.l.1/2', 1)[0]
    if (!first) throw new Error('no plan')
    const only = sequence({ lines: first.lines, houseRules: { ...houseRules, recheck: 'two-hours' } })
    expect(only.steps.some((step) => step.id === 'general/morning')).toBe(false)
    expect(only.steps.some((step) => step.id === 'general/two-hours')).toBe(true)
  })
})

describe('a cold place', () => {
  it.each(['cpvc.sdr11.1/2', 'pex-a.sdr9.1/2'])(
    '%s: the plan never undercuts what Mate said is least',
    (pipeId) => {
      const pipe = pipeById(pipeId)
      if (!pipe) throw new Error(pipeId)
      for (const airC of [null, 12, 2]) {
        const request = line(pipeId, { service: 'cold', airC })
        const options = mate({ lines: [request], settings: WELL_EQUIPPED, k: 8 }).lines[0]?.options ?? []
        const waits = options.map((option) => {
          const plan = sequence({
            lines: [{ lineId: 'a', material: pipe.material, conditions: request.conditions, option }],
            houseRules,
          })
          expect(plan.waterOff.seconds).toBeGreaterThanOrEqual(option.waterOffSeconds)
          return plan.steps
            .filter((step) => step.kind === 'wait')
            .map((step) => step.endSeconds - step.startSeconds)
        })
        // CPVC cement and expansion wait longer below 16 or 15 degrees Celsius than in a warm room
        if (airC !== null) expect(Math.max(...waits.flat())).toBeGreaterThanOrEqual(1800)
      }
    },
  )
})
