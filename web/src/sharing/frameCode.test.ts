import { expect, it } from 'vitest'
import { frameCode } from './frameCode.ts'

const read = (code: string, name: string) => new RegExp(` ${name}="([^"]*)"`).exec(code)?.[1]

it('a title with marks of its own stays a title in the code for a frame', () => {
  const code = frameCode('https://lessons.example/embed/abc', '"Locks" & <script>sluices')
  expect(code.match(/[<>]/g)).toEqual(['<', '>', '<', '>'])
  expect(read(code, 'title')).toBe('&quot;Locks&quot; &amp; &lt;script&gt;sluices')
  expect(read(code, 'src')).toBe('https://lessons.example/embed/abc')
  expect(read(code, 'allow')).toContain('fullscreen')
})
