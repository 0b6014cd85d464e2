import fc from 'fast-check'
import { describe, expect, it } from 'vitest'
import { fillPlaces, firstNameOf } from './index.ts'

const facts = { firstName: 'Tam', className: 'Spring intake', score: '3 of 5' }

describe('places in a text', () => {
  it('are filled in, each as often as it stands', () => {
    expect(fillPlaces('Well done, {first name}! {first name} of {class}: {score}.', facts)).toBe(
      'Well done, Tam! Tam of Spring intake: 3 of 5.',
    )
  })

  it('that nobody knows stay as they are', () => {
    for (const text of ['{', '{}', '{name}', '{First name}', '\\frac{1}{2}', '{{score}'])
      expect(fillPlaces(text, { ...facts, score: '{score}' })).toBe(text)
  })

  it('take names as they are, whatever stands in them', () => {
    fc.assert(
      fc.property(fc.string(), (firstName) => {
        expect(fillPlaces('<{first name}>', { ...facts, firstName })).toBe(`<${firstName}>`)
      }),
    )
  })

  it('use the first name alone', () => {
    expect(['Tam Oakshott', ' Merrin  Coldwell', 'Ada', ''].map(firstNameOf)).toEqual([
      'Tam',
      'Merrin',
      'Ada',
      '',
    ])
  })
})
