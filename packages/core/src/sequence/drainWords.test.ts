import { bodyKind, mouthOf } from '../assembly/bodies'
import type { Conditions } from '../assembly/conditions'
import type { OldJoint } from '../assembly/oldJoints/table'
import { TOOL_IDS } from '../assembly/tools'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { LineRequest } from '../mate/types'
import { STEPS } from '../words/steps'
import { sequence } from './index'

const wordsOf = (
  pipeId: string,
  ends: Pick<LineRequest, 'to'> | Pick<LineRequest, 'cutIn'>,
  oldJoint: OldJoint = 'none',
  trapped = false,
  access: Conditions['access'] = 'reachable',
) => {
  const conditions = { ...PLAIN, service: 'waste' as const, oldJoint, stubMm: null, trapped, access }
  const line: LineRequest = { lineId: 'a', pipeId, conditions, ...ends }
  const [option] = mate({ lines: [line], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
  if (!option) throw new Error(`no way from ${pipeId}`)
  const { steps } = sequence({
    lines: [{ lineId: 'a', option, conditions }],
    houseRules: WELL_EQUIPPED.houseRules,
  })
  return steps.map(({ words }) => words)
}

// each kind of waste is let go in its own way
it.each([
  ['waste.tail.1-1/2', 'pvc-dwv.40.1-1/2', 'prove.fill'],
  ['waste.sink.centre', 'pvc-dwv.40.1-1/2', 'prove.fill-both'],
  ['waste.sink.end', 'pvc-dwv.40.1-1/2', 'prove.fill-both'],
  ['waste.disposer.two', 'pvc-dwv.40.1-1/2', 'prove.fill-both'],
  ['waste.shower.2', 'abs-dwv.40.2', 'prove.fill-floor'],
  ['waste.tub.1-1/2', 'abs-dwv.40.1-1/2', 'prove.fill-floor'],
  ['waste.standpipe', 'abs-dwv.40.2', 'prove.standpipe'],
  ['waste.bowl', 'abs-dwv.40.4', 'prove.flush'],
  ['waste.pan', 'waste.solvent.110mm', 'prove.flush'],
  ['waste.shower.40', 'waste.solvent.40mm', 'prove.fill-tray'],
  ['waste.closed', 'cast-iron.hubless.4', 'prove.fill-past'],
])('%s on %s: %s, and one plug', (kind, pipeId, fill) => {
  const words = wordsOf(pipeId, { to: mouthOf(kind) })
  expect(words.filter((each) => /^prove\.(fill|flush|standpipe|run)/.test(each))).toEqual([fill])
  expect(STEPS[fill]).toBeDefined()
  expect(words.filter((each) => /^drain\.(un)?plug/.test(each))).toEqual(['drain.plug', 'drain.unplug'])
})

it('a shower over a trap that stays has no bowl to fill, a basin over one has', () => {
  const said = (kind: string, pipeId: string) =>
    wordsOf(pipeId, { to: mouthOf(kind) }, 'none', true).find((each) => each.startsWith('prove.fill'))
  expect(said('waste.shower.2', 'abs-dwv.40.2')).toBe('prove.fill-floor')
  expect(said('waste.tail.1-1/2', 'pvc-dwv.40.1-1/2')).toBe('prove.fill')
})

it.each(['reachable', 'closed-wall', 'buried'] as const)(
  '%s: new pipe is filled and stands once, not twice',
  (access) => {
    const words = wordsOf('abs-dwv.40.2', { to: mouthOf('waste.shower.2') }, 'none', false, access)
    const fills = words.filter((each) => /^(hold\.fill|prove\.(fill|let))/.test(each))
    expect(fills).toEqual(access === 'reachable' ? ['prove.fill-floor'] : ['hold.fill', 'prove.let-go'])
  },
)

it('a run is plugged on both sides, and run at full flow', () => {
  const cutIn = { insert: 'repair' as const, farMm: null, freeMm: [0, 0] as const, sidewaysMm: 0 }
  const words = wordsOf('abs-dwv.40.2', { cutIn })
  expect(words.filter((each) => /^(drain\.(un)?plug|prove\.(fill|run))/.test(each))).toEqual([
    'drain.plug-both',
    'drain.unplug-both',
    'prove.run',
  ])
})

it.each([
  // an end that stays as it is, and one from under a sleeve: the burr, and a saw only where it is not square
  ['none', 'abs-dwv.40.1-1/2', 'joint.dress-cut'],
  ['flexible-coupling', 'abs-dwv.40.1-1/2', 'joint.dress-cut'],
] as const)('an old end that is %s is not sawn a second time', (oldJoint, pipeId, dress) => {
  const words = wordsOf(pipeId, { to: mouthOf('waste.tub.1-1/2') }, oldJoint)
  expect(words.find((each) => each.startsWith('joint.dress'))).toBe(dress)
})

it('a piece of iron is parted by a chain and one of plastic by a saw, and says so', () => {
  const cutIn = { insert: 'repair' as const, farMm: null, freeMm: [0, 0] as const, sidewaysMm: 0 }
  const tools = (pipeId: string, stuff: string) => {
    const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const }
    const options = mate({
      lines: [{ lineId: 'a', pipeId, conditions, cutIn }],
      settings: { ...WELL_EQUIPPED, toolsAboard: TOOL_IDS },
      k: 12,
    }).lines[0]?.options
    const option = options?.find(({ joints }) =>
      joints.some(({ tubeMaterial, from }) => from >= 0 && tubeMaterial === stuff),
    )
    if (!option) throw new Error(`no ${stuff} into ${pipeId}`)
    const { steps } = sequence({
      lines: [{ lineId: 'a', option, conditions }],
      houseRules: WELL_EQUIPPED.houseRules,
    })
    const own = option.joints.flatMap(({ from, tubeMaterial }, seam) =>
      from >= 0 && tubeMaterial === stuff ? [seam] : [],
    )
    return new Set(
      steps
        .filter(({ words, seam }) => words.startsWith('joint.dress') && own.includes(seam ?? -1))
        .map(({ parameters }) => parameters.tool),
    )
  }
  expect([...tools('cast-iron.hubless.3', 'cast-iron')]).toEqual(['chain-cutter'])
  expect([...tools('abs-dwv.40.3', 'abs-drain')]).toEqual(['pipe-saw'])
})

it('what points somewhere is turned to it dry and marked before its cement, and what points nowhere is not', () => {
  const plan = (kind: string, turn: 0 | 90) => {
    const conditions = { ...PLAIN, service: 'waste' as const, oldJoint: 'none' as const, stubMm: 150, turn }
    const line: LineRequest = { lineId: 'a', pipeId: 'pvc-dwv.40.3', conditions, to: mouthOf(kind) }
    const [option] = mate({ lines: [line], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    if (!option) throw new Error(`no way to ${kind}`)
    const { steps } = sequence({
      lines: [{ lineId: 'a', option, conditions }],
      houseRules: WELL_EQUIPPED.houseRules,
    })
    return { option, steps }
  }
  for (const [kind, turn, of] of [
    ['waste.bowl', 90, ['bend']],
    ['waste.bowl', 0, []],
    ['waste.shower.2', 0, ['trap']],
    ['waste.shower.2', 90, ['bend', 'trap']],
  ] as const) {
    const { option, steps } = plan(kind, turn)
    const aims = steps.filter(({ words }) => words === 'bend.aim')
    expect([kind, turn, aims.map(({ parameters }) => parameters.of).sort()]).toEqual([kind, turn, of])
    for (const { seam, endSeconds, after } of aims) {
      expect(option.parts[option.joints[seam ?? -1]?.to ?? -1]?.family).toMatch(/^(elbow-|p-trap)/)
      expect(after).toContain(`a/${seam}/fit`)
      const close = steps.find(({ id }) => id === `a/${seam}/close`)
      expect(close?.startSeconds).toBeGreaterThanOrEqual(endSeconds)
    }
  }
})

it.each([
  [['waste.shower.2'], 'closed-wall', 'cover.floor-drain'],
  [['waste.bowl'], 'closed-wall', 'cover.floor-drain'],
  [['waste.tail.1-1/2'], 'closed-wall', 'cover.wall-drain'],
  [['waste.shower.2', 'waste.tail.1-1/2'], 'closed-wall', 'cover.wall-drain'],
  [['waste.shower.2'], 'buried', 'cover.ground-drain'],
] as const)('what is closed over %j, %s', (kinds, access, wanted) => {
  const lines = kinds.map((kind, at) => {
    const conditions = {
      ...PLAIN,
      service: 'waste' as const,
      oldJoint: 'none' as const,
      stubMm: null,
      access,
    }
    const asked = {
      lineId: `l${at}`,
      pipeId: kind === 'waste.bowl' ? 'abs-dwv.40.4' : 'abs-dwv.40.2',
      conditions,
    }
    const [option] =
      mate({ lines: [{ ...asked, to: mouthOf(kind) }], settings: WELL_EQUIPPED }).lines[0]?.options ?? []
    if (!option) throw new Error(`no way to ${kind}`)
    return { lineId: asked.lineId, option, conditions, meets: { to: `b${at}` } }
  })
  const bodies = kinds.map((kind, at) => ({
    id: `b${at}`,
    kind,
    contents: [],
    mount: bodyKind(kind)?.mount ?? 'deck',
  }))
  const { steps } = sequence({ lines, bodies, houseRules: WELL_EQUIPPED.houseRules })
  expect(steps.map(({ words }) => words).filter((words) => words.startsWith('cover.'))).toEqual([wanted])
})
