import { mouthOf } from '../assembly'
import { METHODS } from '../assembly/methods/table'
import { CATALOG } from '../catalog'
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
              // what only soft tube or only the old pipe asks for
              expect(template.onlySoft || (template.needsPlace && !joint.atStub)).toBe(true)
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
    // by the name that the card gives to what waits there
    const named = new Set(all.flatMap(({ plan }) => plan.steps.flatMap(({ captive }) => captive ?? [])))
    expect([...named]).toEqual(expect.arrayContaining(['nut', 'ring', 'crimp ring']))
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

  it('checks the parts before anything is set out, made up or shut', () => {
    for (const { plan } of all) expect(plan.steps[0]?.id).toBe('general/parts')
  })

  it('lays out the very hands that the mating counted: one duration for each act', () => {
    for (const { option, lines, plan } of all) {
      const lineId = lines[0]?.lineId ?? ''
      const own = plan.steps.filter(
        (step) =>
          !step.passive &&
          (step.seam !== null || step.id.startsWith(`${lineId}/remove/`)) &&
          step.lineId === lineId,
      )
      const hands = own.reduce((sum, step) => sum + step.endSeconds - step.startSeconds, 0)
      expect([option.id, hands]).toEqual([option.id, option.costs.labourSeconds])
      const setUps = plan.steps.filter((step) => step.id.startsWith('general/set-up-'))
      const setUp = setUps.reduce((sum, step) => sum + step.endSeconds - step.startSeconds, 0)
      expect(hands + setUp).toBe(option.criteria.seconds)
      // what can be set out before is no reason to keep the water off
      expect(setUps.every((step) => step.phase === 'before')).toBe(true)
    }
  })

  it('takes the shop’s own minutes for a joint, to the second, in price and plan', () => {
    const jointMinutes = { sweat: 7.5, compression: 1, swivel: 2.25, 'push-fit': 0, crimp: 0.1 }
    for (const pipeId of ['copper.l.1/2', 'pex-b.sdr9.1/2']) {
      const request = line(pipeId)
      const settings = { ...WELL_EQUIPPED, jointMinutes }
      for (const option of mate({ lines: [request], settings, k: 6 }).lines[0]?.options ?? []) {
        const plan = sequence({
          lines: [{ lineId: 'a', conditions: request.conditions, option }],
          houseRules,
          jointMinutes,
        })
        const hands = plan.steps
          .filter((step) => !step.passive && (step.seam !== null || step.id.startsWith('a/remove/')))
          .reduce((sum, step) => sum + step.endSeconds - step.startSeconds, 0)
        const oneHeat = plan.steps.some(({ words }) => words === 'sweat.heat-same')
        if (oneHeat) expect(hands).toBeLessThan(option.costs.labourSeconds)
        else expect([option.id, hands]).toEqual([option.id, option.costs.labourSeconds])
        expect(plan.waterOff.seconds).toBeGreaterThanOrEqual(option.waterOffSeconds)
      }
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

describe('a body where lines meet', () => {
  const body = { ...mouthOf('valve.combo.1/2'), bodyId: 'valve' }
  /** Catalogue without what spares a plumber the flame on copper. */
  const catalogue = CATALOG.filter(({ id }) => !/push|press/.test(id))
  const planned = (pipes: readonly string[]) => {
    const requests = pipes.map((pipeId, at) => ({ ...line(pipeId), lineId: `${at}`, to: body }))
    const { lines } = mate({ lines: requests, settings: WELL_EQUIPPED }, { catalogue })
    const first = lines.map(({ options }, at) => {
      const option = options.find(
        ({ methods }) => methods.includes('sweat') === pipes[at]?.startsWith('copper'),
      )
      if (!option) throw new Error(`no way for ${pipes[at]}`)
      return option
    })
    const plan = sequence({
      houseRules,
      bodies: [{ id: 'valve', contents: ['cartridge', 'seat'] }],
      lines: requests.map(({ lineId, conditions }, at) => ({
        lineId,
        conditions,
        option: first[at] as (typeof first)[number],
        meets: { to: 'valve' },
      })),
    })
    const at = (id: string) => plan.steps.find((step) => step.id === id)
    return { plan, at, last: first.map(({ joints }) => joints.length - 1) }
  }

  it('is soldered empty, cools ten minutes, and only then takes tape or a seal', () => {
    const { at, last } = planned(['copper.l.1/2', 'pex-b.sdr9.1/2'])
    const flame = at(`0/${last[0]}/close`)
    const taped = at(`1/${last[1]}/close`)
    expect(taped?.startSeconds).toBeGreaterThanOrEqual((flame?.endSeconds ?? 0) + 600)
    expect(at('general/strip-valve')?.endSeconds).toBeLessThanOrEqual(flame?.startSeconds ?? -1)
    expect(at('general/refit-valve')?.startSeconds).toBeGreaterThanOrEqual((flame?.endSeconds ?? 0) + 600)
    expect(at('general/refit-valve')?.endSeconds).toBeLessThanOrEqual(
      at('general/restore')?.startSeconds ?? -1,
    )
    expect(stepText(at('general/strip-valve') as never, 'in')).toContain('cartridge, seat out')
  })

  it('no flame on it, nothing comes out and nothing waits', () => {
    const { plan } = planned(['pex-b.sdr9.1/2', 'cpvc.sdr11.1/2'])
    expect(plan.steps.filter(({ id }) => /valve$/.test(id))).toEqual([])
  })

  it('is flushed on its own side where it leads on to something, and at its open end where it does not', () => {
    const [option] =
      mate({ lines: [{ ...line('copper.l.1/2'), to: body }], settings: WELL_EQUIPPED }).lines[0]?.options ??
      []
    if (!option) throw new Error('no way')
    const { conditions } = line('copper.l.1/2')
    const said = (fed: boolean) =>
      sequence({
        houseRules,
        lines: [
          { lineId: 'hot', conditions, option, meets: { to: 'valve' } },
          ...(fed ? [{ lineId: 'spout', conditions, option, meets: { from: 'valve' } }] : []),
        ],
      }).steps.find(({ id }) => id === 'hot/line/flush')?.words
    expect([said(true), said(false)]).toEqual(['open.flush-valve', 'open.flush-end'])
  })

  // common practice: a minute more for each storey that runs empty
  it('the house is shut where its stop is, and drains longer the more storeys it has', () => {
    const [option] = mate({ lines: [line('copper.l.1/2')], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    if (!option) throw new Error('no way')
    const { conditions } = line('copper.l.1/2')
    const at = (id: string, house: object) => {
      const { steps } = sequence({ houseRules, lines: [{ lineId: 'a', conditions, option }], ...house })
      const found = steps.find((step) => step.id === `general/${id}`)
      if (!found) throw new Error(id)
      return { seconds: found.endSeconds - found.startSeconds, ...found.parameters }
    }
    const drains = [{}, { storeys: 1 }, { storeys: 3 }].map((house) => at('drain', house).seconds)
    expect(drains.map((each) => each - (drains[0] ?? 0))).toEqual([0, 0, 120])
    expect(at('shut', { stopAt: ' cellar, left ' })).toMatchObject({ at: 'cellar, left' })
    expect(at('shut', { stopAt: ' ' })).toMatchObject({ at: 'none' })
    expect(at('drain', { stopAt: 'cellar' })).not.toHaveProperty('at')
  })

  it('without a stop nothing is said of one, nor of a connector', () => {
    const { plan } = planned(['copper.l.1/2', 'copper.l.1/2'])
    const said = plan.steps.filter(({ kind }) => kind !== 'remove').map((step) => stepText(step, 'in'))
    expect(said.filter((text) => /[Nn]ew stop|the stop;|up to the stop|connector/.test(text))).toEqual([])
    for (const { words } of plan.steps) expect(STEPS[words]).toBeDefined()
  })
})
