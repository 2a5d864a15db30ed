import { act, cleanup, fireEvent, render, screen } from '@testing-library/react'
import { useLayoutEffect, useState } from 'react'
import { SheetModal } from './SheetModal'

function Two() {
  const [open, setOpen] = useState(['below', 'above'])
  return open.map((title) => (
    <SheetModal
      key={title}
      title={title}
      onClose={() => setOpen((now) => now.filter((other) => other !== title))}
    >
      {null}
    </SheetModal>
  ))
}
const press = () => act(async () => void fireEvent.keyDown(document.body, { key: 'Escape' }))
const titles = () => screen.queryAllByRole('heading', { hidden: true }).map((title) => title.textContent)

afterEach(cleanup)

describe('Escape', () => {
  it('is taken in the moment in which the sheet appears, before anything else was done', async () => {
    const close = jest.fn()
    // a key that is pressed while the screen is still being put up
    function Early() {
      useLayoutEffect(() => void fireEvent.keyDown(document.body, { key: 'Escape' }), [])
      return null
    }
    await act(
      async () =>
        void render(
          <>
            <SheetModal title="sheet" onClose={close}>
              {null}
            </SheetModal>
            <Early />
          </>,
        ),
    )
    expect(close).toHaveBeenCalledTimes(1)
  })

  it('closes what was opened last, one at a time', async () => {
    render(<Two />)
    expect(titles()).toEqual(['below', 'above'])
    await press()
    expect(titles()).toEqual(['below'])
    await act(async () => void fireEvent.keyDown(document.body, { key: 'Enter' }))
    expect(titles()).toEqual(['below'])
    await press()
    expect(titles()).toEqual([])
    await press()
    expect(titles()).toEqual([])
  })
})

describe('the way back', () => {
  // the router writes its own state into the history at each step
  const router = () => history.replaceState({ router: true }, '')
  beforeEach(() => window.addEventListener('popstate', router))
  afterEach(() => window.removeEventListener('popstate', router))
  const turns = () => act(() => new Promise((resolve) => setTimeout(resolve, 60)))

  it('that the upper sheet takes when it closes by itself leaves the lower one open', async () => {
    render(<Two />)
    await press()
    await turns()
    expect(titles()).toEqual(['below'])
  })

  it('of the browser closes what was opened last, one at a time', async () => {
    render(<Two />)
    history.back()
    await turns()
    expect(titles()).toEqual(['below'])
    history.back()
    await turns()
    expect(titles()).toEqual([])
  })
})
