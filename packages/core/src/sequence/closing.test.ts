import { mouthOf } from '../assembly'
import { methodById } from '../assembly/methods/table'
import { fittingById } from '../catalog'
import { mate } from '../mate'
import { PLAIN, WELL_EQUIPPED } from '../mate/test/problems'
import type { LineRequest, MateOption } from '../mate/types'
import { lastSeams } from './closing'
import { sequence } from './index'
import { waitsFor } from './test/waitsFor'
import type { PlannedStep } from './types'

const conditions = { ...PLAIN, line: 'dry' as const }
const waysOf = (line: Pick<LineRequest, 'to'> | Pick<LineRequest, 'cutIn'>, pipeId = 'copper.l.1/2') =>
  mate({ lines: [{ lineId: 'a', pipeId, conditions, ...line }], settings: WELL_EQUIPPED, k: 60 }).lines[0]
    ?.options ?? []
const plan = (option: MateOption, solderAt: 'bench' | 'place') =>
  sequence({
    lines: [{ lineId: 'a', option, conditions, material: 'copper' }],
    houseRules: { ...WELL_EQUIPPED.houseRules, solderAt },
  }).steps
const flame = ({ joints }: MateOption, seam: number) =>
  methodById(joints[seam]?.method ?? 'compression').needsFlame
const at = (steps: readonly PlannedStep[], seam: number) => steps.filter((step) => step.seam === seam)
const shared = ({ joints }: MateOption, one: number, other: number) => {
  const [a, b] = [joints[one], joints[other]]
  return a?.to === b?.from || a?.from === b?.to
}

describe('a flame', () => {
  const ways = [
    ...waysOf({ to: mouthOf('spout.slip.1/2') }),
    ...waysOf({ to: mouthOf('faucet.shank.1/2') }),
    ...waysOf({ to: mouthOf('faucet.shank.1/2') }, 'copper.l.3/4'),
  ]
  const hot = ways.filter(
    (way) =>
      lastSeams(way).size === 0 &&
      way.joints.some((_, seam) => flame(way, seam)) &&
      way.joints.some((_, seam) => seam > 0 && !flame(way, seam)),
  )

  /** Acts of a joint that heat would undo: what tape, rubber and plastic are put on with, and on a body that holds them. */
  const spoiltBy = ({ joints, parts }: MateOption, seam: number): string[] => {
    const { method, from, to } = joints[seam] ?? { method: 'compression', from: -1, to: -1 }
    const shy = [from, to].some((part) => fittingById(parts[part]?.fittingId ?? '')?.heatSensitive)
    const steps: readonly { key: string; heatSensitive?: boolean }[] = methodById(method).steps
    return steps.flatMap(({ key, heatSensitive }) =>
      heatSensitive || (shy && key === 'close') ? [`a/${seam}/${key}`] : [],
    )
  }

  it.each(['bench', 'place'] as const)(
    'comes before what it would spoil on the same body, and that waits till it is cold: soldered at the %s',
    (solderAt) => {
      const seen = new Set<string>()
      for (const way of hot) {
        const steps = plan(way, solderAt)
        for (const [seam] of way.joints.entries())
          for (const other of [seam - 1, seam + 1]) {
            if (!flame(way, seam) || !way.joints[other] || flame(way, other) || !shared(way, seam, other))
              continue
            for (const id of spoiltBy(way, other)) {
              if (!steps.some((step) => step.id === id)) continue
              seen.add(`${way.joints[other]?.method} ${other < seam ? 'nearer' : 'farther'}`)
              for (const { id: done, kind, passive } of at(steps, seam))
                if (kind === 'close' || passive)
                  expect([way.id, id, waitsFor(steps, id, done)]).toEqual([way.id, id, true])
            }
          }
      }
      // on a plain piece of tube whose other end goes into a stop, and on a thread nearer the wall
      expect([...seen]).toEqual(
        expect.arrayContaining(['compression farther', 'threaded nearer', 'push-fit farther']),
      )
    },
  )
})

describe('what slides over both ends', () => {
  const cutIn = { insert: 'repair' as const, farMm: 200, freeMm: [0, 0] as const, sidewaysMm: 0 }
  const slid = ['copper.l.1/2', 'copper.l.3/4', 'pvc.40.1/2']
    .flatMap((pipeId) => waysOf({ cutIn }, pipeId))
    .filter(({ closes }) => closes?.by === 'slide')

  it('is put on once those ends are ready, and drawn back when all else stands', () => {
    const kinds = new Set<string>()
    for (const way of slid) {
      const steps = plan(way, 'place')
      const on = steps.find(({ id }) => id.endsWith('/slide-on'))?.id ?? ''
      for (const seam of lastSeams(way))
        for (const { id, kind } of at(steps, seam))
          if ((kind === 'prepare' || kind === 'captive') && !id.includes('/slide-')) {
            kinds.add(kind)
            expect([way.id, id, waitsFor(steps, on, id)]).toEqual([way.id, id, true])
          }
    }
    expect([...kinds].sort()).toEqual(['captive', 'prepare'])
  })
})
