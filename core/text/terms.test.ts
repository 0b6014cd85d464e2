import { describe, expect, it } from 'vitest'
import { readTermList } from './index.ts'

const readTerms = (text: string) => readTermList(text).terms

describe('a list of terms', () => {
  it.each([
    ['sill\tthe step under the gates', 'sill', 'the step under the gates'],
    ['pound – the level between two locks', 'pound', 'the level between two locks'],
    ['paddle = lets the water through', 'paddle', 'lets the water through'],
    ['top-gate - at the upper end', 'top-gate', 'at the upper end'],
    ['windlass: a crank, carried along', 'windlass', 'a crank, carried along'],
    ['paddle=lets the water through', 'paddle', 'lets the water through'],
    ['sill → the step', 'sill', 'the step'],
    ['sill -> the step', 'sill', 'the step'],
    ['sill;the step, of stone', 'sill', 'the step, of stone'],
    ['sill,the step', 'sill', 'the step'],
    ['sill | the step', 'sill', 'the step'],
    ['2. sill: the step', 'sill', 'the step'],
    ['• sill – the step', 'sill', 'the step'],
    ['* sill – the step', 'sill', 'the step'],
    ['12:30 = noon', '12:30', 'noon'],
    ['العتبة = حجر', 'العتبة', 'حجر'],
    // The surest sign counts: a dash inside a meaning parts nothing.
    ['flight\televen locks – one after the other', 'flight', 'eleven locks – one after the other'],
  ])('reads %j', (line, term, meaning) => {
    expect(readTerms(line)).toEqual([{ term, meaning }])
  })

  it('leaves out lines with one side', () => {
    expect(
      readTerms('just a word\n\nfirst, second, third\n: nothing before\nlast –\nsill: step'),
    ).toEqual([{ term: 'sill', meaning: 'step' }])
  })

  it('is parted by commas where every line has one and no other sign', () => {
    expect(readTerms('sill,step\npaddle, sluice')).toHaveLength(2)
    // A sentence among pairs is none.
    expect(readTermList('sill – step\nMind it, always\n\npaddle – sluice')).toEqual({
      terms: [
        { term: 'sill', meaning: 'step' },
        { term: 'paddle', meaning: 'sluice' },
      ],
      halves: 1,
    })
    expect(readTermList('"a, b",c\nd,e')).toEqual({ terms: [], halves: 2 })
  })

  it('takes no more than a hundred', () => {
    expect(readTerms('a: b\n'.repeat(500))).toHaveLength(100)
  })
})
