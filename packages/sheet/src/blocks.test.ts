import type { JobFile } from '@diarmos/contract'
import { bodiesOf, type EndRef, keep, keptStopEnd, mate, mouthOf, STARTING_SETTINGS } from '@diarmos/core'
import { PLAIN_CONDITIONS } from '@diarmos/core/conditions'
import { NO_OPENING, NO_WALL } from '@diarmos/core/record'
import { sheetBlocks } from './blocks'

const conditions = { ...PLAIN_CONDITIONS, faults: [], service: 'waste' as const, stubMm: 50 }
const [way] = mate({
  lines: [{ lineId: 'd', pipeId: 'pvc-dwv.40.1-1/2', to: mouthOf('waste.tail.1-1/2'), conditions }],
  settings: STARTING_SETTINGS,
}).lines.flatMap(({ options }) => options)

/** A job on a drain alone, with what was measured round its trap. */
function file(trap: object | null): JobFile {
  if (!way) throw new Error('no way')
  return {
    format: 'diarmos-job/2',
    job: { title: 'Trap drips', openedAt: '2026-11-27', fixtures: bodiesOf(['waste.tail.1-1/2']), note: '' },
    property: { label: 'Net loft', street: '', town: '' },
    point: { name: 'Basin' },
    lines: [{ id: 'd', service: 'drain' }],
    documents: {
      finding: [
        { lineId: 'd', name: '1-1/2 in PVC drain pipe', pipeId: 'pvc-dwv.40.1-1/2', probability: 0.97 },
      ],
      mating: [{ lineId: 'd', optionId: way.id, option: keep(way, {}) }],
      situation: [{ lineId: 'd', ...conditions, trap }],
    },
  }
}
const words = (trap: object | null, unit?: 'in' | 'mm') =>
  sheetBlocks(file(trap), 'A shop', unit).flatMap((block) => ('text' in block ? [block.text] : ['(drawing)']))

describe('the sheet of a drain', () => {
  it('names its joints as they are spoken of, what was measured round the trap, and what was cut for it', () => {
    const printed = words({ outMm: 228.6, asideMm: null, drainMm: 609.6, stubMm: 457.2 })
    expect(printed).toContain('Drain line')
    expect(printed.find((text) => text.startsWith('1. '))).toMatch(
      /^1\. PVC drain cement into PVC trap adapter/,
    )
    expect(printed.find((text) => text.startsWith('2. '))).toMatch(
      /^2\. slip joint into .* Seal: the taper washer/,
    )
    expect(printed).toContain(
      'Measured: drain 9" out from the wall, 0" aside; its end 24" and the stub 18" over the floor.',
    )
    expect(
      printed.some((text) => /^Wall tube of the trap, bend to end: .* at most\. Tailpiece: /.test(text)),
    ).toBe(true)
    expect(printed).toContain('(drawing)')
  })

  it('is written in millimetres for whoever reads those, and in no inch then', () => {
    const printed = words({ outMm: 228.6, asideMm: null, drainMm: 609.6, stubMm: 457.2 }, 'mm')
    expect(printed).toContain(
      'Measured: drain 229 mm out from the wall, 0 mm aside; its end 610 mm and the stub 457 mm over the floor.',
    )
    expect(printed.join('\n')).not.toMatch(/\d"/)
  })

  it('says nothing of a trap that nobody measured round, and prints all the same', () => {
    for (const trap of [null, { outMm: 200, asideMm: null, drainMm: null, stubMm: null }])
      expect(words(trap).some((text) => text.startsWith('Wall tube'))).toBe(false)
    // one that does not line up is measured, and nothing was cut for it
    const far = words({ outMm: 900, asideMm: 0, drainMm: 609.6, stubMm: 457.2 })
    expect([
      far.some((text) => text.startsWith('Measured: drain')),
      far.some((text) => text.startsWith('Wall tube')),
    ]).toEqual([true, false])
  })
})

describe('the sheet of a job at several points', () => {
  it('says at which each line is, what stays there, and draws it from the old stop’s outlet', () => {
    const end = keptStopEnd('comp-3/8')
    const toilet = bodiesOf(['toilet.fill.7/8'], 'p2')
    const place = { ...conditions, service: 'cold' as const, stubMm: null }
    const [kept] = mate({
      lines: [
        {
          lineId: 'c',
          from: { ends: [end as EndRef] },
          kept: 'stop',
          to: mouthOf('toilet.fill.7/8'),
          conditions: place,
        },
      ],
      settings: STARTING_SETTINGS,
    }).lines.flatMap(({ options }) => options)
    if (!kept) throw new Error('no way')
    const whole = file(null)
    // 2-1/4 + 1/2 + 1/8 + 3/8 less 3/8; with 3.2 mm of doubt the least shim is 1/2 in, the most 3/4
    const inches = {
      studMm: 2.25,
      boardMm: 0.5,
      mortarMm: 0.125,
      tileMm: 0.375,
      middleMm: 0.375,
      leastMm: 2,
      mostMm: 2.5,
    }
    const wall = {
      ...NO_WALL,
      ...Object.fromEntries(Object.entries(inches).map(([key, value]) => [key, value * 25.4])),
    }
    const opening = {
      ...NO_OPENING,
      ...{ leftMm: 76.2, rightMm: 76.2, upMm: 76.2, downMm: 76.2, brokenMm: 25.4, trimMm: 165.1 },
    }
    const printed = sheetBlocks(
      {
        ...whole,
        job: { ...whole.job, pointId: 'p1', more: [{ pointId: 'p2', fixtures: toilet }] },
        point: { id: 'p1', name: 'Basin' },
        more: [{ id: 'p2', name: 'Toilet' }],
        lines: [
          { id: 'd', service: 'drain', pointId: 'p1' },
          { id: 'c', service: 'cold', pointId: 'p2' },
        ],
        documents: {
          ...whole.documents,
          mating: [
            ...(whole.documents.mating ?? []),
            { lineId: 'c', optionId: kept.id, option: keep(kept, {}) },
          ],
          situation: [
            ...(whole.documents.situation ?? []),
            { lineId: 'c', ...place, stopOutlet: 'comp-3/8', valveWall: wall, opening },
          ],
        },
      },
      'A shop',
    ).flatMap((block) => ('text' in block ? [block.text] : ['(drawing)']))
    expect(printed).toContain('Basin, Toilet · A shop · opened 2026-11-27')
    expect(printed.filter((text) => / line$|: (drain|cold)/.test(text))).toEqual([
      'Basin: drain line',
      'Toilet: cold line',
    ])
    expect(printed).toContain('The old stop stays.')
    expect(printed.filter((text) => text.startsWith('Valve: '))).toEqual([
      'Valve: middle 2 7/8" behind the finished face; its sheet has 2" to 2 1/2". Behind it: 19/32 in plywood (sold as 5/8).',
    ])
    // six inches from the middle each way, an inch broken beyond: 10 7/16 across the corners wants the 12 in round one
    expect(printed.filter((text) => text.startsWith('Hole in the wall: '))).toEqual([
      'Hole in the wall: 6" wide, 6" high. Cover plate: round, 12 in across.',
    ])
    expect(printed.filter((text) => text === '(drawing)')).toHaveLength(2)
  })
})
