import { PIPES } from '../reference/pipes'
import { FAUCET_WORDS, FIXTURE_WORDS, HOLE_WORDS } from '../words/fixtures'
import { REASONS } from '../words/reasons'
import { ACCESSORIES, ACCESSORY_KINDS, platesFor } from './accessories'
import { deckFit, FAUCET_PATTERNS, HOLE_PATTERNS } from './faucets'
import { MIXERS } from './mixers'

describe('what goes with a joint', () => {
  it('has an id of its own, and every kind is made', () => {
    expect(new Set(ACCESSORIES.map(({ id }) => id)).size).toBe(ACCESSORIES.length)
    expect(new Set(ACCESSORIES.map(({ kind }) => kind))).toEqual(new Set(ACCESSORY_KINDS))
  })

  it('slides over its tube at the largest the standard allows, and does not rattle', () => {
    for (const { id, kind, tubeMm, boreMm, outsideMm } of ACCESSORIES) {
      if (kind === 'stiffener') continue
      expect([id, boreMm > tubeMm, boreMm - tubeMm <= 3, outsideMm > boreMm]).toEqual([id, true, true, true])
    }
    // rings and nuts go over the tube with its tolerance, not only over its mean diameter
    for (const accessory of ACCESSORIES.filter(({ kind }) => /nut|crimp|cinch|plate/.test(kind)))
      for (const pipe of PIPES.filter(
        ({ system, nominal, material }) =>
          system === accessory.system &&
          nominal === accessory.nominal &&
          ['copper', 'pex-a', 'pex-b'].includes(material),
      ))
        expect([accessory.id, pipe.id, accessory.boreMm > pipe.odMm + pipe.odToleranceMm]).toEqual([
          accessory.id,
          pipe.id,
          true,
        ])
  })

  it('a stiffener goes into the bore that wall and diameter of the tube leave', () => {
    for (const { id, kind, system, nominal, outsideMm, boreMm } of ACCESSORIES) {
      if (kind !== 'stiffener') continue
      const pipe = PIPES.find(
        (entry) => entry.material === 'pex-b' && entry.system === system && entry.nominal === nominal,
      )
      const bore = (pipe?.odMm ?? 0) - 2 * (pipe?.wallMm ?? 0)
      expect([id, outsideMm < bore + 0.2, outsideMm > bore - 1.5, boreMm > 0]).toEqual([id, true, true, true])
    }
  })

  it('a plate for each stub: whole and split, and never the next size up', () => {
    // 5/8 in outside is 1/2 in copper; 0.840 in is 1/2 in iron pipe
    expect(platesFor({ diameterMm: 0.625 * 25.4 }).map(({ id }) => id)).toEqual([
      'plate-whole.cts.1/2',
      'plate-split.cts.1/2',
    ])
    expect(platesFor({ diameterMm: 0.84 * 25.4 }).map(({ id }) => id)).toEqual(
      expect.arrayContaining(['plate-whole.ips.1/2', 'plate-split.ips.1/2']),
    )
    expect(platesFor({ diameterMm: 90 })).toEqual([])
  })
})

describe('shower and tub valves', () => {
  it('have ends of the catalogue, with and without stops, and a window that is one', () => {
    expect(new Set(MIXERS.map(({ id }) => id)).size).toBe(MIXERS.length)
    for (const { connection, depthMm, spoutMm, outlets } of MIXERS) {
      expect(FIXTURE_WORDS[connection]).toBeDefined()
      expect(depthMm[0]).toBeLessThan(depthMm[1])
      expect(spoutMm !== undefined).toBe(outlets.includes('spout'))
    }
    expect(MIXERS.filter(({ stops }) => stops).length * 2).toBe(MIXERS.length)
  })
})

describe('a faucet on the holes that are there', () => {
  const fit = (faucet: string, deck: string) => {
    const found = FAUCET_PATTERNS.find(({ id }) => id === faucet)
    const holes = HOLE_PATTERNS.find(({ id }) => id === deck)
    if (!found || !holes) throw new Error(`${faucet} ${deck}`)
    const { fits, reason } = deckFit(found, holes)
    return [fits, reason]
  }
  it.each([
    ['single', 'one', true, 'deck.fits'],
    ['single', 'three-4', true, 'deck.plate'],
    ['single', 'three-8', true, 'deck.plate'],
    ['single', 'two-8', false, 'deck.centres'],
    ['centre-4', 'three-4', true, 'deck.fits'],
    ['centre-4', 'three-8', false, 'deck.centres'],
    ['centre-4', 'one', false, 'deck.too-few'],
    ['spread', 'three-8', true, 'deck.fits'],
    ['spread', 'three-4', false, 'deck.centres'],
    ['bridge-8', 'two-8', true, 'deck.fits'],
    ['bridge-8', 'three-8', true, 'deck.spare'],
    ['two-180', 'two-180', true, 'deck.fits'],
    ['two-180', 'two-8', false, 'deck.centres'],
    ['wall', 'three-8', false, 'deck.wall'],
    ['wall', 'wall-8', true, 'deck.fits'],
    ['wall-150', 'wall-150', true, 'deck.fits'],
    ['wall-150', 'wall-8', false, 'deck.centres'],
  ])('%s on %s', (faucet, deck, fits, reason) => expect(fit(faucet, deck)).toEqual([fits, reason]))

  it('has words for all, and tails that are in the catalogue', () => {
    for (const { id } of HOLE_PATTERNS) expect(HOLE_WORDS[id]).toBeDefined()
    for (const faucet of FAUCET_PATTERNS) {
      expect(FAUCET_WORDS[faucet.id]).toBeDefined()
      for (const tail of faucet.tails) expect(FIXTURE_WORDS[tail]).toBeDefined()
      for (const deck of HOLE_PATTERNS) expect(REASONS[deckFit(faucet, deck).reason]).toBeDefined()
    }
  })
})
