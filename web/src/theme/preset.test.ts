// Every component that the application uses has its look: one without would stand there bare.
import { describe, expect, it } from 'vitest'
import { fernbrakePreset } from './preset.ts'

const sources = import.meta.glob<string>('../**/*.vue', {
  query: '?raw',
  import: 'default',
  eager: true,
})
const used = new Set(
  Object.values(sources).flatMap((source) =>
    [...source.matchAll(/from 'primevue\/(\w+)'/g)].map(([, name]) => name!),
  ),
)
/** These only hold others and have no look of their own. */
const WITHOUT_LOOK = new Set(['column'])

describe('the look of components', () => {
  const looks = Object.keys(fernbrakePreset.components ?? {})

  it('is there for each that is used', () => {
    expect(used.size).toBeGreaterThan(10)
    expect([...used].filter((name) => !WITHOUT_LOOK.has(name) && !looks.includes(name))).toEqual([])
  })

  it('comes with the rules that hold for several of them', () => {
    expect(String(fernbrakePreset.css)).toContain('transition: none')
  })
})
