import { DOMParser } from '@xmldom/xmldom'
import { SVGPathData } from 'svg-pathdata'
import { type Fitting, fittingById, fullDepthMm } from '../catalog'
import { type LineRequest, mate } from '../mate'
import { cutInOf } from '../mate/test/drains'
import { line, PLAIN, STUBS, WELL_EQUIPPED } from '../mate/test/problems'
import { pipeById } from '../reference'
import { contactSheet, drawJointLine, type Shape, toSvg } from './index'
import { partShapes } from './partShapes'

interface Box {
  readonly minX: number
  readonly maxX: number
  readonly minY: number
  readonly maxY: number
}

/** Outlines read back from the SVG alone: boxes by semantic id and role. */
function boxes(svg: string): Map<string, Box[]> {
  const found = new Map<string, Box[]>()
  const paths = new DOMParser().parseFromString(svg, 'image/svg+xml').getElementsByTagName('path')
  for (const path of Array.from(paths)) {
    const { minX, maxX, minY, maxY } = new SVGPathData(path.getAttribute('d') ?? '').getBounds()
    const key = `${path.getAttribute('data-id')}|${path.getAttribute('data-role')}`
    found.set(key, [...(found.get(key) ?? []), { minX, maxX, minY, maxY }])
  }
  return found
}

const cases = STUBS.flatMap((pipe) => {
  const request = line(pipe.id)
  const options = mate({ lines: [request], settings: WELL_EQUIPPED, k: 3 }).lines[0]?.options ?? []
  return options.map((option) => [pipe.id, option.id, option, request.to] as const)
})

describe('the drawing, read back from its SVG', () => {
  it.each(cases)('%s by %s is to scale', (pipeId, _id, option, to) => {
    const scene = drawJointLine({ pipeId, option, to, unit: 'in', stage: 'cut' })
    const found = boxes(toSvg(scene))
    const stub = found.get('pipe:stub|outline')?.[0]
    const pipe = pipeById(pipeId)
    if (!stub || !pipe) throw new Error('no stub')
    expect(Math.abs(stub.maxY - stub.minY - pipe.odMm)).toBeLessThan(0.1)
    expect(Math.abs(stub.maxX - (option.leavesStubMm ?? 0))).toBeLessThan(0.1)

    // the first part's mouth (or the barb's tip) lies one insertion behind the stub's end
    const first = option.joints[0]
    const part = fittingById(option.parts[0]?.fittingId ?? '')
    if (!first || !part) throw new Error('no first joint')
    const body = found.get('part:0|outline')
    const inlet = Math.min(...(body ?? []).map((box) => box.minX))
    expect(Math.abs(stub.maxX - inlet - first.maxMm)).toBeLessThan(0.1)

    // the insertion mark is drawn where the dimension says
    const mark = found.get('mark:insertion|line')?.[0]
    expect(Math.abs(stub.maxX - (mark?.minX ?? 0) - first.maxMm)).toBeLessThan(0.1)
  })

  it('leaves the laying length between two pipes in a coupling', () => {
    for (const id of ['coupling.cxc.1/2', 'coupling.pushxpush.3/4', 'coupling.compxcomp.22mm']) {
      const fitting = fittingById(id) as Fitting
      const option = cases.find(([, , o]) => o.parts[0]?.fittingId === id)?.[2]
      const [a, b] = fitting.ports
      if (!a || !b) throw new Error(id)
      const overall = fitting.layingMm + fullDepthMm(a) + fullDepthMm(b)
      const sheet = option
        ? boxes(toSvg(drawJointLine({ pipeId: 'copper.l.1/2', option, unit: 'mm' }))).get('part:0|outline')
        : undefined
      const box = sheet?.[0]
      if (box) expect(Math.abs(box.maxX - box.minX - overall)).toBeLessThan(0.1)
      expect(overall).toBeGreaterThan(fitting.layingMm)
    }
  })

  it('shows the belief as outlines, each as strong as its probability', () => {
    const scene = drawJointLine({
      pipeId: null,
      outline: [
        { odMm: 15.875, weight: 0.8 },
        { odMm: 21.3, weight: 0.1 },
      ],
      unit: 'in',
    })
    const ghosts = scene.shapes.filter((shape) => shape.layer === 'ghost' && shape.role === 'fill')
    expect(ghosts.map((shape) => (shape.points[0]?.[1] ?? 0) * 2)).toEqual([15.875, 21.3])
    expect(ghosts[0]?.opacity ?? 0).toBeGreaterThan(ghosts[1]?.opacity ?? 1)
  })

  it('has captive parts waiting nearer the wall in Make than where they end', () => {
    const found = cases.find(([, , option]) => option.joints[0]?.method === 'compression')
    if (!found) throw new Error('no compression')
    const [pipeId, , option] = found
    const at = (stage: 'make' | 'prove') =>
      Math.min(
        ...drawJointLine({ pipeId, option, unit: 'in', stage })
          .shapes.filter((s) => s.layer === 'captive' && s.id.includes('nut'))
          .flatMap((s) => s.points.map(([x]) => x)),
      )
    expect(at('make')).toBeLessThan(at('prove'))
  })

  it('refuses what is in no table, by name', () =>
    expect(() => drawJointLine({ pipeId: 'lead.1/2', unit: 'in' })).toThrow('no-pipe'))

  it('draws every family once on the contact sheet, without a letter', () => {
    const sheet = contactSheet()
    expect(sheet.texts).toEqual([])
    expect(sheet.names.length).toBeGreaterThan(30)
    for (let index = 0; index < sheet.names.length; index++)
      expect(sheet.shapes.some((shape) => shape.id === `sample:${index}`)).toBe(true)
  })
})

// who looks into the branch with upstream over it has the inlet on the hand that it is called by
it.each(['left', 'right'] as const)(
  'a side inlet on the %s is drawn on that side: in dashes where the body hides it',
  (at) => {
    const conditions = { ...PLAIN, service: 'waste' as const }
    const request: LineRequest = {
      lineId: 'run',
      pipeId: 'pvc-dwv.40.3',
      cutIn: cutInOf(`waste.run.tee.${at}.3x2`),
      conditions,
    }
    const [option] = mate({ lines: [request], settings: WELL_EQUIPPED, k: 1 }).lines[0]?.options ?? []
    if (!option) throw new Error('no way')
    const seen = (shapes: readonly Shape[], id: string) => {
      const own = shapes.filter((shape) => shape.id === id)
      const across = own.flatMap(({ points }) => points.map(([x]) => x))
      const [least, most] = [Math.min(...across), Math.max(...across)]
      return { hidden: own.some(({ dashed }) => dashed), branch: -least > most ? -1 : 1 }
    }
    // in the scene upstream is up: looking from the branch to the stack, the right hand is out of the page where that is left
    const scene = drawJointLine({ pipeId: 'pvc-dwv.40.3', option, unit: 'in', stage: 'mate', run: true })
    const { hidden, branch } = seen(
      scene.shapes,
      `part:${option.parts.findIndex(({ family }) => family === 'sanitary-tee')}`,
    )
    expect(hidden).toBe((at === 'right') === (branch === 1))
    // in its own frame upstream is to the left and the branch looks up: the right hand is behind the page
    const part = fittingById(`tee.${at}.pvc.3x3x2`)
    if (!part) throw new Error('no part')
    expect(partShapes('part', part).some(({ dashed }) => dashed)).toBe(at === 'right')
  },
)

// a bend that lies in the floor would stand in the trap's plane, and the trap lie on its side or be an S
it.each([
  ['waste.shower.2', 90, ['90°']],
  ['waste.standpipe', 45, ['45°']],
  ['waste.standpipe', 0, []],
] as const)(
  '%s, turned by %i°: the trap hangs under its line, and the bend says what it turns by',
  (kind, turn, said) => {
    const request = line('abs-dwv.40.2', { service: 'waste', oldJoint: 'none', stubMm: null, turn }, kind)
    const [option] = mate({ lines: [request], settings: WELL_EQUIPPED, k: 3 }).lines[0]?.options ?? []
    if (!option) throw new Error('no way')
    const scene = drawJointLine({ pipeId: 'abs-dwv.40.2', option, to: request.to, unit: 'in', stage: 'mate' })
    expect(scene.texts.filter(({ text }) => text.endsWith('°')).map(({ text }) => text)).toEqual(said)
    const trap = option.parts.findIndex(({ family }) => family === 'p-trap')
    const before = scene.seams.filter(({ seam }) => seam <= option.joints.findIndex(({ to }) => to === trap))
    for (const { at } of before) expect(at[1]).toBeCloseTo(0, 6)
    const water = scene.shapes.filter(({ id }) => id === `part:${trap}`).flatMap(({ points }) => points)
    expect(Math.min(...water.map(([, y]) => y))).toBeLessThan(-50)
  },
)
