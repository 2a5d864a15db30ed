import { chromium } from '@playwright/test'

const main = async () => {
  const b = await chromium.launch({
    executablePath: '/usr/bin/chromium',
    args: ['--no-sandbox', '--allow-file-access-from-files'],
  })
  const p = await b.newPage({ viewport: { width: 1290, height: 810 } })
  await p.goto('file:///tmp/r.html')
  await p.screenshot({ path: '/tmp/r.png' })
  await b.close()
}
main()
