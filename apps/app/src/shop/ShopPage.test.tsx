import { SCHOOLS, STARTING_SETTINGS } from '@diarmos/core'
import { act, cleanup, render, screen } from '@testing-library/react'
import { prefer, usePreferences } from '../data/preferences'
import { undo, useData } from '../data/store'
import { held, openShop } from '../test/shop'
import { all, dialog, one, press, write } from '../test/touch'
import { RULES } from './houseRules'
import { readNumber } from './readNumber'
import { ShopPage } from './ShopPage'

jest.mock('../workers/solver')
jest.mock('expo-router', () => jest.requireActual('../test/address').router)
const mate = () => held('settings')[0]?.fields.mate

beforeEach(async () => {
  prefer({ unit: 'in', theme: 'system' })
  await openShop()
  render(<ShopPage />)
})
afterEach(cleanup)

describe('the shop’s own choices', () => {
  it('keep a house rule, and undo takes it back', async () => {
    await press(one('radio', 'Push-fit in a closed wall: yes'))
    expect(mate()?.houseRules.pushFitConcealed).toBe('allow')
    // nothing else has moved
    expect({ ...mate(), houseRules: null }).toEqual({ ...STARTING_SETTINGS, houseRules: null })
    await act(() => undo())
    expect(mate()).toEqual(STARTING_SETTINGS)
  })

  it('show the usual school where the shop has said nothing, and keep another', async () => {
    expect(RULES.flatMap(({ key, usual }) => (usual ? [[key, usual]] : []))).toEqual(Object.entries(SCHOOLS))
    expect(one('radio', 'One pinhole: mend it').getAttribute('aria-checked')).toBe('true')
    await press(one('radio', 'One pinhole: replace the length'))
    expect(mate()?.houseRules.oneHole).toBe('replace')
  })

  it('put a tool on the van and take it off', async () => {
    const had = mate()?.toolsAboard.includes('expander')
    await press(one('switch', /expan/i))
    expect(mate()?.toolsAboard.includes('expander')).toBe(!had)
    await press(one('switch', /expan/i))
    expect(mate()?.toolsAboard.includes('expander')).toBe(had)
  })

  it('fill a shelf: what it lacks, no less of anything else, and undo takes it back', async () => {
    await press(one('button', 'Fill. the shelf Copper'))
    const { partsAboard, toolsAboard } = mate() ?? {}
    expect(partsAboard?.['coupling.cxc.1/2']).toBeGreaterThan(3)
    expect(toolsAboard).toEqual(expect.arrayContaining([...STARTING_SETTINGS.toolsAboard]))
    expect(screen.queryByLabelText('Fill. the shelf Copper')).toBeNull()
    await act(() => undo())
    expect(mate()).toEqual(STARTING_SETTINGS)
  })

  it('count parts aboard, found by words in any order, never below none', async () => {
    await write('Look up a part', 'push-fit 1/2 coupling')
    const name = 'push-fit coupling, 1/2 in'
    await press(one('button', `+. one ${name} more`))
    await press(one('button', `+. one ${name} more`))
    expect(Object.values(mate()?.partsAboard ?? {})).toEqual([2])
    for (let i = 0; i < 4; i++) await press(one('button', `−. one ${name} less`))
    expect(Object.values(mate()?.partsAboard ?? {})).toEqual([0])
    await write('Look up a part', 'no such thing')
    expect(screen.getByText('Nothing aboard by that name.')).toBeTruthy()
  })

  it('say for each bad number what is wrong with it, and save nothing', async () => {
    await press(one('button', 'Labour and trips'))
    await screen.findByText('Save')
    for (const [text, fault] of [
      ['much', 'This is no number.'],
      ['-4', 'It cannot be negative.'],
      ['99999999', 'At most 10000.'],
    ] as const) {
      await write(/^Labour/, text)
      await press(one('button', 'Save', dialog()))
      expect(screen.getByText(fault)).toBeTruthy()
    }
    expect(mate()?.labourCentsPerHour).toBe(STARTING_SETTINGS.labourCentsPerHour)
    await write(/^Labour/, '98,50')
    await press(one('button', 'Save', dialog()))
    expect(mate()?.labourCentsPerHour).toBe(9850)
  })

  it('the phone’s unit and sheet are its own, not the shop’s', async () => {
    await press(one('radio', 'This phone reads in: millimetres'))
    await press(one('radio', 'Sheet: cabinet'))
    expect(usePreferences.getState()).toMatchObject({ unit: 'mm', theme: 'cabinet' })
    expect(mate()).toEqual(STARTING_SETTINGS)
  })

  it('signing out says what still waits, and clears the screen, not the queue', async () => {
    expect(screen.getByText(/edits? waits? on this phone/)).toBeTruthy()
    await press(one('button', 'Sign out'))
    expect(useData.getState()).toMatchObject({ status: 'signed-out', session: null })
    expect(all('radio', /Push-fit/)).toEqual([])
  })
})

describe('a number as it is typed', () => {
  it.each([
    ['12', 12],
    [' 12,5 ', 12.5],
    ['0', 0],
    ['', 'This is no number.'],
    ['12 13', 'This is no number.'],
    ['-0.1', 'It cannot be negative.'],
    ['101', 'At most 100.'],
  ])('%p reads as %p', (text, value) => expect(readNumber(text, 100)).toBe(value))
})

describe('what a shop knows better', () => {
  it('a part’s own price and laying length, and the typical length again', async () => {
    await write('Look up a part', 'push-fit 1/2 coupling')
    const name = 'push-fit coupling, 1/2 in'
    await press(one('button', `${name}: price and length`))
    await screen.findByText('Save the price')
    await write(/^Own price/, '4.x')
    await press(one('button', 'Save the price'))
    expect(screen.getByText('This is no number.')).toBeTruthy()
    await press(one('button', 'Laying length'))
    for (const key of ['9', '1/16']) await press(one('button', key))
    await press(one('button', /Enter|Done|Take/))
    const id = Object.keys(mate()?.layingMm ?? {})[0] as string
    expect(mate()?.layingMm?.[id]).toBeCloseTo(9.0625 * 25.4, 6)
    await press(one('button', 'Take the typical length again'))
    expect(mate()?.layingMm).toEqual({})
    await write(/^Own price/, '4.25')
    await press(one('button', 'Save the price'))
    expect(mate()?.priceCents[id]).toBe(425)
    // emptied, the family's price holds again
    await press(one('button', `${name}: price and length`))
    await write(/^Own price/, '')
    await press(one('button', 'Save the price'))
    expect(mate()?.priceCents).toEqual({})
  })

  it('a local amendment, with who says so; a second of the same rule takes its place', async () => {
    const amend = async (severity: string, why: string) => {
      await press(one('button', 'Add an amendment'))
      await screen.findByText('Which rule?')
      await write('Look up a rule', 'steel onto copper')
      await press(one('button', /^Steel straight onto copper/))
      await press(one('radio', `Here it is: ${severity}`))
      await press(one('button', 'Save'))
      if (why === '') {
        expect(screen.getByText('Say who has written or said it.')).toBeTruthy()
        await press(one('button', 'Close'))
        return
      }
      await write(/^By whom/, why)
      await press(one('button', 'Save'))
    }
    await amend('warn', '')
    expect(mate()?.amendments).toBeUndefined()
    await amend('warn', 'Harbour office, sheet 7')
    await amend('never', 'Harbour office, sheet 9')
    expect(mate()?.amendments).toEqual([
      { ruleId: 'metal.steel-on-copper', severity: 'forbid', why: 'Harbour office, sheet 9' },
    ])
    await press(one('button', /^Drop/))
    expect(mate()?.amendments).toEqual([])
  })
})
