import { chromium } from '@playwright/test'
import { CHROMIUM } from '../playwright.config.ts'
import { watchForErrors } from '../support/pages.ts'
const url = 'http://127.0.0.1:4400'
const browser = await chromium.launch(CHROMIUM)
const phone = process.argv[2] === 'phone'
const page = await browser.newPage({
  viewport: phone ? { width: 390, height: 844 } : { width: 1280, height: 800 },
})
page.setDefaultTimeout(8000)
const errors = watchForErrors(page)
const p = phone ? 'p' : 'd'
try {
  await page.goto(url + '/open/cantle-steps-1')
  await page.getByLabel('Your first and last name').fill('Wilf Tarrant')
  await page.getByRole('button', { name: 'Go in as a guest' }).click()
  await page.locator('video').waitFor()
  await page.waitForTimeout(1200)
  const id = page.url().split('/').at(-1)
  const asks = ['why-steps', 'what-moves-water', 'before-filling', 'where-from', 'which-way'].map(
    (q) => `ask-${q}`,
  )
  let n = 0
  const at = async (ms: number, name: string, released = asks) => {
    n += 1
    const r = await page.request.post(`${url}/api/attempts/${id}/records`, {
      data: {
        records: [
          {
            kind: 'place',
            id: `p${n}-${Date.now()}`,
            partId: 'the-film',
            atMs: ms,
            released,
            at: new Date(Date.now() + n * 1000).toISOString(),
          },
        ],
      },
    })
    if (!r.ok()) console.log(await r.text())
    await page.goto(`${url}/learn/${id}`)
    await page.locator('video').waitFor()
    await page.waitForTimeout(1800)
    await page.screenshot({ path: `/tmp/${p}-${name}.png` })
  }
  await at(91900, 'covers', ['ask-why-steps'])
  await at(79000, 'button')
  await page.getByRole('button', { name: 'What is a windlass?' }).click()
  await page.waitForTimeout(300)
  await page.screenshot({ path: `/tmp/${p}-words.png` })
  await at(130500, 'label')
  await at(148000, 'arrow')
  await at(167000, 'box')
  await at(191000, 'panel')
  await at(222500, 'ring')
  await at(238640, 'fork')
  await at(250000, 'link')
} catch (e) {
  console.log(String(e).slice(0, 600))
  await page.screenshot({ path: '/tmp/px.png' })
}
console.log(errors)
await browser.close()
