// @vitest-environment happy-dom
// Words of a text that lead to a page of the web.
import { mount } from '@vue/test-utils'
import { beforeAll, expect, it } from 'vitest'
import type { RichText } from '@fernbrake/core/fields'
import { createPlayerI18n } from '../i18n.ts'
import OptionRow from './OptionRow.vue'
import TextView from './TextView.vue'

let i18n: Awaited<ReturnType<typeof createPlayerI18n>>
beforeAll(async () => {
  i18n = await createPlayerI18n('en')
})
const text: RichText = {
  blocks: [
    {
      block: 'paragraph',
      runs: [
        { text: 'See ' },
        { text: 'the levels', marks: ['bold'], address: 'https://harrowmere.example/levels' },
      ],
    },
  ],
}

it('open a tab of their own, and say so', () => {
  const link = mount(TextView, { props: { text }, global: { plugins: [i18n] } }).find('a')
  expect(link.attributes()).toMatchObject({
    href: 'https://harrowmere.example/levels',
    target: '_blank',
    rel: 'noopener noreferrer',
  })
  expect(link.find('strong').text()).toBe('the levels')
  expect(link.text()).toContain('new tab')
})

it('are no link in an option, which is pressed as a whole', () => {
  const option = mount(OptionRow, {
    props: { type: 'radio', name: 'n', value: 'v', text, checked: false },
    global: { plugins: [i18n] },
  })
  expect(option.find('a').exists()).toBe(false)
  expect(option.text()).toContain('the levels')
})
