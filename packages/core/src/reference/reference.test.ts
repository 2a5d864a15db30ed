import { formatLength, parseLength } from '../units'
import { CONNECTIONS } from './connections'
import {
  BSP,
  copperTubeOutsideDiameterIn,
  dimensionRatioWallIn,
  leadOutsideDiameterIn,
  NPT,
  nominalNumber,
  nptPitchDiameters,
  PIPES,
  pipeById,
  threadEngagement,
  tubeEngagement,
  whitworthDiameters,
} from './index'

const IN = 25.4
const pipe = (id: string) => {
  const found = pipeById(id)
  if (!found) throw new Error(id)
  return found
}

/** Weight of a tube from its own diameter and wall, lb/ft: the published weight must come out of it. */
function poundsPerFoot(id: string, poundsPerCubicInch: number): number {
  const { odMm, wallMm } = pipe(id)
  const [od, wall] = [odMm / IN, wallMm / IN]
  return Math.PI * (od - wall) * wall * 12 * poundsPerCubicInch
}

describe('diameters and walls reproduce the published weights', () => {
  // ASTM B88, table of dimensions and weights: theoretical weight, lb/ft. Copper 0.323 lb/in3.
  it.each([
    ['copper.k.3/8', 0.269],
    ['copper.l.3/8', 0.198],
    ['copper.m.3/8', 0.145],
    ['copper.k.1/2', 0.344],
    ['copper.l.1/2', 0.285],
    ['copper.m.1/2', 0.204],
    ['copper.k.3/4', 0.641],
    ['copper.l.3/4', 0.455],
    ['copper.m.3/4', 0.328],
    ['copper.k.1', 0.839],
    ['copper.l.1', 0.655],
    ['copper.m.1', 0.465],
    ['copper.k.1-1/4', 1.04],
    ['copper.l.1-1/4', 0.884],
    ['copper.m.1-1/4', 0.682],
    ['copper.k.1-1/2', 1.36],
    ['copper.l.1-1/2', 1.14],
    ['copper.m.1-1/2', 0.94],
    ['copper.k.2', 2.06],
    ['copper.l.2', 1.75],
    ['copper.m.2', 1.46],
    ['copper.k.3', 4],
    ['copper.l.3', 3.33],
    ['copper.m.3', 2.68],
    ['copper.k.4', 6.51],
    ['copper.l.4', 5.38],
    ['copper.m.4', 4.66],
  ])('%s weighs %d lb/ft', (id, weight) => expect(poundsPerFoot(id, 0.323) / weight).toBeCloseTo(1, 2))

  // ASME B36.10M, plain end weight of schedule 40, lb/ft; the standard's own formula is 10.69 (D - t) t.
  it.each([
    ['black.40.3/8', 0.57],
    ['black.40.1/2', 0.85],
    ['galvanised.40.3/4', 1.13],
    ['galvanised.40.1', 1.68],
    ['galvanised.40.1-1/4', 2.27],
    ['galvanised.40.1-1/2', 2.72],
    ['galvanised.40.2', 3.65],
  ])('%s weighs %d lb/ft', (id, weight) => {
    const { odMm, wallMm } = pipe(id)
    expect((10.69 * (odMm / IN - wallMm / IN) * (wallMm / IN)) / weight).toBeCloseTo(1, 2)
  })

  // ASTM B43, regular red brass, lb/ft; 0.316 lb/in3.
  it.each([
    ['brass.regular.3/8', 0.627],
    ['brass.regular.1/2', 0.934],
    ['brass.regular.3/4', 1.27],
    ['brass.regular.1', 1.78],
    ['brass.regular.1-1/4', 2.63],
    ['brass.regular.1-1/2', 3.13],
    ['brass.regular.2', 4.12],
  ])('%s weighs %d lb/ft', (id, weight) => expect(poundsPerFoot(id, 0.316) / weight).toBeCloseTo(1, 2))

  // Mass per metre of EN 1057 tube as tube makers' tables print it, kg/m; those tables reckon with 8.9 kg/dm3.
  it.each([
    ['copper.thin.10mm', 0.158],
    // microbore, coiled
    ['copper.soft.6mm', 0.091],
    ['copper.soft.10mm', 0.182],
    ['copper.thin.15mm', 0.28],
    ['copper.regular.15mm', 0.391],
    ['copper.thin.22mm', 0.531],
    ['copper.regular.22mm', 0.587],
    ['copper.thin.28mm', 0.682],
  ])('%s has %d kg/m', (id, mass) => {
    const { odMm, wallMm } = pipe(id)
    expect((Math.PI * (odMm - wallMm) * wallMm * 8.9e-3) / mass).toBeCloseTo(1, 2)
  })

  // Lead pipe as old price lists give it: bore, pounds a foot, and the thickness beside them, in, rounded or cut to hundredths.
  it.each([
    [1 / 2, 3, 0.25],
    [1 / 2, 2, 0.18],
    [5 / 8, 3.5, 0.25],
    [3 / 4, 4.8125, 0.29],
    [1, 6, 0.3],
    [1, 4.5, 0.23],
    [1.5, 8, 0.29],
  ])('lead of %d in bore and %d lb/ft is %d in thick', (bore, pounds, thick) =>
    expect(Math.abs((leadOutsideDiameterIn(bore, pounds) - bore) / 2 - thick)).toBeLessThan(0.011),
  )
})

describe('formulas that the standards state', () => {
  // ASTM B88: actual outside diameter is 1/8 in larger than the standard size; diameters as the table prints them.
  it.each([
    [0.375, 0.5],
    [0.5, 0.625],
    [0.75, 0.875],
    [1, 1.125],
  ])('copper tube size %d is %d outside', (nominal, od) =>
    expect(copperTubeOutsideDiameterIn(nominal)).toBe(od),
  )

  // ASME B1.20.1 table 2: E0, E1 and L2 as printed, from D, n and L1.
  it.each([
    ['1/4', 0.47739, 0.49163, 0.4018],
    ['3/8', 0.61201, 0.62701, 0.4078],
    ['1/2', 0.75843, 0.77843, 0.5337],
    ['3/4', 0.96768, 0.98887, 0.5457],
    ['1', 1.21363, 1.23863, 0.6828],
  ])('NPT %s', (nominal, e0, e1, l2) => {
    const row = NPT.find((entry) => entry.nominal === nominal)
    if (!row) throw new Error(nominal)
    const found = nptPitchDiameters(row.majorMm / IN, row.threadsPerInch, row.handTightMm / IN)
    expect(found.e0In).toBeCloseTo(e0, 4)
    expect(found.e1In).toBeCloseTo(e1, 4)
    expect(found.l2In).toBeCloseTo(l2, 3)
  })

  // ISO 228-1 basic pitch and minor diameters as printed, mm.
  it.each([
    ['3/8', 15.806, 14.95],
    ['1/2', 19.793, 18.631],
    ['3/4', 25.279, 24.117],
    ['1', 31.77, 30.291],
  ])('55 degree thread %s', (nominal, pitch, minor) => {
    const row = BSP.find((entry) => entry.nominal === nominal)
    if (!row) throw new Error(nominal)
    const found = whitworthDiameters(row.majorMm, row.threadsPerInch)
    expect(found.pitchMm).toBeCloseTo(pitch, 2)
    expect(found.minorMm).toBeCloseTo(minor, 2)
  })

  // ASME B1.20.7: a basic thread is 0.64952 of its pitch deep, cut from the coupling's least outside of 1.0725 in;
  // the nipple's largest outside, 1.0625, goes in with ten thousandths to spare
  it('a hose nut is bored by its own standard, wider outside than the nipple by the allowance', () => {
    const nut = CONNECTIONS.find(({ id }) => id === 'hose.3/4.female')
    const least = 1.0725 - (2 * 0.64952) / 11.5
    expect((nut?.acrossMm[0] ?? 0) / IN).toBeCloseTo(least, 3)
    expect((nut?.acrossMm[1] ?? 0) / IN - least).toBeCloseTo(0.017, 3)
  })

  // SDR is OD over wall (ASTM F412): PEX is SDR 9, CPVC and polybutylene SDR 11 down to a least wall.
  it.each([
    ['pex-a.sdr9.1/2', 9, 0.07],
    ['pex-b.sdr9.3/4', 9, 0.07],
    ['pex-a.sdr9.1', 9, 0.07],
    ['cpvc.sdr11.1/2', 11, 0.068],
    ['cpvc.sdr11.3/4', 11, 0.068],
    ['cpvc.sdr11.1', 11, 0.068],
    ['polybutylene.sdr11.1/2', 11, 0.062],
    ['polybutylene.sdr11.3/4', 11, 0.062],
    ['polybutylene.sdr11.1', 11, 0.062],
  ])('%s is made to its ratio', (id, ratio, least) => {
    const { odMm, wallMm, wallToleranceMm } = pipe(id)
    expect((wallMm - wallToleranceMm) / IN).toBeCloseTo(dimensionRatioWallIn(odMm / IN, ratio, least), 2)
  })

  // average inside diameter that makers print for plastic pipe, in: it lies below what the least wall would leave
  it.each([
    ['pvc.40.1/2', 0.602],
    ['pvc.40.3/4', 0.804],
    ['pvc.40.1', 1.029],
    ['pvc.80.1/2', 0.526],
    ['pvc.80.1', 0.936],
    ['pex-b.sdr9.1/2', 0.475],
    ['pex-b.sdr9.3/4', 0.671],
    ['pex-b.sdr9.1', 0.862],
  ])('%s has a bore of %d in', (id, printed) => {
    const { odMm, wallMm, wallToleranceMm } = pipe(id)
    const bore = (odMm - 2 * wallMm) / IN
    expect(Math.abs(bore - printed)).toBeLessThan(0.012)
    expect((odMm - 2 * (wallMm - wallToleranceMm)) / IN).toBeGreaterThan(printed)
  })
})

describe('the tables', () => {
  it('name every figure’s source', () => {
    for (const row of PIPES) expect(row.source.title.length).toBeGreaterThan(5)
  })
  it('have bores that get smaller from M to K', () => {
    for (const size of ['3/8', '1/2', '3/4', '1'])
      expect([
        pipe(`copper.m.${size}`).wallMm,
        pipe(`copper.l.${size}`).wallMm,
        pipe(`copper.k.${size}`).wallMm,
      ]).toEqual(
        [...['m', 'l', 'k'].map((grade) => pipe(`copper.${grade}.${size}`).wallMm)].sort((a, b) => a - b),
      )
  })
  it('keep the sizes apart that are confused', () => {
    // 22 mm against 3/4 in and 15 mm against 1/2 in: near, not the same
    expect(pipe('copper.l.3/4').odMm - pipe('copper.thin.22mm').odMm).toBeCloseTo(0.225, 3)
    expect(pipe('copper.l.1/2').odMm - pipe('copper.thin.15mm').odMm).toBeCloseTo(0.875, 3)
    expect(tubeEngagement('solder-cup', 'CTS', '1/2')).not.toEqual(
      tubeEngagement('solder-cup', 'metric', '15'),
    )
  })
})

describe('sockets of copper-tube-size CPVC', () => {
  // the table is recalled; that a socket is eight tenths of the diameter deep is a rule of the same fittings
  it.each(['1/2', '3/4', '1', '1-1/4', '1-1/2', '2'] as const)('%s: 0.8 of the diameter', (size) => {
    const depthIn = (tubeEngagement('cement-socket', 'CTS', size)?.maxMm ?? 0) / 25.4
    expect(depthIn).toBeGreaterThan(0.8 * copperTubeOutsideDiameterIn(nominalNumber(size)) - 0.0115)
    expect(depthIn).toBeLessThan(0.8 * copperTubeOutsideDiameterIn(nominalNumber(size)))
  })
})

describe('how far a pipe is screwed in', () => {
  // EN 10242 prints both the length of an elbow and what is left of it beside the pipe (z): the rest is in the thread, mm
  it.each([
    ['3/8', 25, 15],
    ['1/2', 28, 15],
    ['3/4', 33, 18],
    ['1', 38, 21],
    ['1-1/4', 45, 26],
    ['1-1/2', 50, 31],
    ['2', 58, 34],
  ] as const)('55 degree %s in an elbow of %d mm: all but %d', (size, elbow, left) =>
    expect(Math.abs((threadEngagement('BSP', size)?.maxMm ?? 0) - (elbow - left))).toBeLessThan(0.8),
  )

  // thread make-up as pipe fitters' tables print it, in
  it.each([
    ['1/2', 1 / 2],
    ['3/4', 9 / 16],
    ['1', 11 / 16],
    ['1-1/4', 11 / 16],
    ['1-1/2', 11 / 16],
    ['2', 3 / 4],
  ] as const)('NPT %s: %d in', (size, printed) =>
    expect(Math.abs((threadEngagement('NPT', size)?.maxMm ?? 0) / IN - printed)).toBeLessThan(1 / 16),
  )
})

describe('the mark that shows how far a pipe goes in', () => {
  const FORMS = [
    'solder-cup',
    'press-cup',
    'push-fit',
    'compression',
    'cement-socket',
    'pvc-socket',
    'insert-barb',
    'sleeve-barb',
    'expansion-barb',
    'poly-barb',
    'poly-compression',
    'gasket-socket',
  ] as const
  it.each(FORMS)(
    '%s: printed, it lies less than a millimetre short of home, and never short of what seals',
    (form) => {
      let seen = 0
      for (const { system, nominal } of PIPES) {
        const made = tubeEngagement(form, system, nominal)
        if (!made) continue
        seen++
        for (const unit of ['in', 'mm'] as const) {
          const printed = parseLength(
            formatLength(made.maxMm, { unit, quantity: 'insertion-mark', denominator: 16 }),
            {
              unit,
            },
          )
          const mm = printed.ok ? printed.mm : Number.NaN
          expect([nominal, mm > made.maxMm - 1, mm <= made.maxMm + 1e-6, mm >= made.minMm - 1e-6]).toEqual([
            nominal,
            true,
            true,
            true,
          ])
        }
      }
      expect(seen).toBeGreaterThan(2)
    },
  )
})
