import { describe, expect, it } from 'vitest'
import { addressMeant, addressSchema } from './index.ts'

describe('the address that is meant', () => {
  it.each([
    ['  https://harrowmere.example/levels ', 'https://harrowmere.example/levels'],
    ['harrowmere.example/levels', 'https://harrowmere.example/levels'],
    ['/stand-ins/pages/water-levels', '/stand-ins/pages/water-levels'],
    ['', ''],
    [
      '<iframe width="560" src="https://harrowmere.example/map?a=1&amp;b=2" allowfullscreen></iframe>',
      'https://harrowmere.example/map?a=1&b=2',
    ],
    [
      "<p>Our map</p>\n<IFRAME SRC='//harrowmere.example/map'></IFRAME>",
      'https://harrowmere.example/map',
    ],
    [
      '<iframe src=https://harrowmere.example/map title=x></iframe>',
      'https://harrowmere.example/map',
    ],
  ])('of %j is %j', (words, address) => {
    expect(addressMeant(words)).toBe(address)
    if (address) expect(addressSchema.safeParse(address).success).toBe(true)
  })

  it.each([
    '<iframe src="javascript:alert(1)"></iframe>',
    '<iframe srcdoc="<p>x</p>"></iframe>',
    '<script src="https://harrowmere.example/x.js"></script>',
    'javascript:alert(1)',
  ])('of %j is none that a lesson takes', (words) => {
    expect(addressSchema.safeParse(addressMeant(words)).success).toBe(false)
  })
})
