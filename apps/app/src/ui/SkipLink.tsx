import { createElement } from 'react'

/** Past what stands on every page, for who goes by keyboard; seen only while it has the focus. */
export function SkipLink() {
  return createElement(
    'a',
    {
      href: '#main',
      className: 'skip-link',
      onClick: (event: { preventDefault(): void }) => {
        event.preventDefault()
        const main = document.querySelector<HTMLElement>('[role="main"]')
        main?.setAttribute('tabindex', '-1')
        main?.focus()
      },
    },
    'To the page',
  )
}
