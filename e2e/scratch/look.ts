import { chromium } from '@playwright/test'
import { CHROMIUM } from '../playwright.config.ts'
import { signIn, watchForErrors, expectNoBarriers } from '../support/pages.ts'
const url = 'http://127.0.0.1:4400'
const browser = await chromium.launch(CHROMIUM)
const page = await browser.newPage({ viewport: { width: 1280, height: 800 } })
page.setDefaultTimeout(8000)
const errors = watchForErrors(page)
const calm = async () => {
  await page.waitForTimeout(1500)
}
try {
  await signIn(page, url, 'designer@harrowmere.example', 'cantle-steps')
  await page.goto(url + '/lessons/water-that-climbs')
  await calm()
  const pick = async (name: RegExp) => {
    await page.getByRole('button', { name: 'Cue list' }).click()
    await page.getByRole('row', { name }).click()
    await page.keyboard.press('Enter')
    await calm()
  }
  await pick(/First half, then full/)
  await page.screenshot({ path: '/tmp/s1.png' })
  await page.mouse.move(900, 500)
  await page.mouse.wheel(0, 700)
  await page.waitForTimeout(300)
  await page.screenshot({ path: '/tmp/s2.png' })
  await page.mouse.wheel(0, 1500)
  await page.waitForTimeout(300)
  await page.screenshot({ path: '/tmp/s3.png' })
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await pick(/sill is what you must never/)
  await page.screenshot({ path: '/tmp/s4.png' })
  await page.getByRole('button', { name: 'Close', exact: true }).click()
  await pick(/Here the water comes in/)
  await page.screenshot({ path: '/tmp/s5.png' })
  await page.goto(url + '/shelf')
  await calm()
  await page.screenshot({ path: '/tmp/s6.png' })
  await page.getByRole('button', { name: /paddle gear/i }).click()
  await calm()
  await page.screenshot({ path: '/tmp/s7.png' })
} catch (e) {
  console.log(String(e).slice(0, 600))
  await page.screenshot({ path: '/tmp/sx.png' })
}
console.log(errors)
await browser.close()
