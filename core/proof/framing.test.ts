import { describe, expect, it } from 'vitest'
import { canBeFramed, titleOf } from './index.ts'

const LESSONS = 'https://lessons.harrowmere.example'
const framed = (headers: Record<string, string | string[]>, address = 'https://a.example/page') =>
  canBeFramed({ address, headers: { 'content-type': 'text/html', ...headers } }, LESSONS)

describe('canBeFramed', () => {
  it('is yes for a page that says nothing about it', () => {
    expect(framed({})).toBe(true)
    expect(canBeFramed({ address: 'https://a.example/', headers: {} }, LESSONS)).toBe(true)
  })

  it.each([
    ['DENY', false],
    ['SAMEORIGIN', false],
    ['sameorigin, sameorigin', false],
    ['ALLOWALL', true],
  ])('heeds X-Frame-Options: %s', (value, expected) => {
    expect(framed({ 'x-frame-options': value })).toBe(expected)
  })

  it('lets a page of the same origin frame itself', () => {
    const own = `${LESSONS}/open/x`
    expect(framed({ 'x-frame-options': 'SAMEORIGIN' }, own)).toBe(true)
    expect(framed({ 'content-security-policy': "frame-ancestors 'self'" }, own)).toBe(true)
  })

  it.each([
    ["frame-ancestors 'none'", false],
    ['frame-ancestors', false],
    ["frame-ancestors 'self'", false],
    ['frame-ancestors *', true],
    ['frame-ancestors https:', true],
    ['frame-ancestors http:', true],
    ['frame-ancestors lessons.harrowmere.example', true],
    ['frame-ancestors https://lessons.harrowmere.example:443', true],
    ['frame-ancestors https://lessons.harrowmere.example:8443', false],
    ['frame-ancestors https://lessons.harrowmere.example:*', true],
    ['frame-ancestors *.harrowmere.example', true],
    ['frame-ancestors *.lessons.harrowmere.example', false],
    ['frame-ancestors https://other.example https://lessons.harrowmere.example', true],
    ["default-src 'none'; Frame-Ancestors https://other.example", false],
    ["default-src 'none'", true],
  ])('heeds %s', (policy, expected) => {
    expect(framed({ 'content-security-policy': policy })).toBe(expected)
  })

  it('asks every policy, and a policy before the older header', () => {
    const both = ['frame-ancestors *', "frame-ancestors 'none'"]
    expect(framed({ 'content-security-policy': both })).toBe(false)
    expect(framed({ 'content-security-policy': both.join(', ') })).toBe(false)
    const older = { 'x-frame-options': 'DENY', 'content-security-policy': 'frame-ancestors *' }
    expect(framed(older)).toBe(true)
  })

  it('is no for what a frame does not show, and for a plain page within an encrypted lesson', () => {
    expect(framed({ 'content-type': 'application/pdf' })).toBe(false)
    expect(framed({ 'content-type': 'image/png' })).toBe(true)
    expect(framed({}, 'http://a.example/')).toBe(false)
    const plain = { address: 'http://a.example/', headers: {} }
    expect(canBeFramed(plain, 'http://127.0.0.1:4310')).toBe(true)
  })
})

it('reads the title of a page', () => {
  expect(titleOf('<html><TITLE lang="en">\n Water\n levels </title>')).toBe('Water levels')
  expect(titleOf('<p>No title</p>')).toBe('')
  expect(titleOf(`<title>${'x'.repeat(600)}</title>`)).toHaveLength(200)
})
