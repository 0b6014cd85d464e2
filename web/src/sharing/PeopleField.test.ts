// @vitest-environment happy-dom
// Who works on a lesson: it is never without an owner, and only owners change who does.
import { describe, expect, it } from 'vitest'
import { mounted } from '../testing/mounted.ts'
import PeopleField from './PeopleField.vue'

const person = (id: string, role: string) => ({
  id,
  name: `Person ${id}`,
  email: `${id}@harrowmere.example`,
  role,
})
const field = (roles: string[], canChange = true) => {
  const people = roles.map((role, at) => person(String(at), role))
  return mounted(PeopleField, { sharing: { people, invited: [] }, canChange, me: '0' })
}

describe('people', () => {
  it('cannot be taken out where they are the only owner', async () => {
    const { button, wrapper } = field(['owner', 'editor'])
    expect(button('Remove Person 0')).toBeUndefined()
    await button('Remove Person 1')!.trigger('click')
    expect(wrapper.emitted('take')).toEqual([['1']])
  })
  it('can, where there is another owner', () => {
    const { button } = field(['owner', 'owner'])
    expect(button('Remove Person 0')).toBeDefined()
  })
  it('are only named to those who may not change it', () => {
    const { wrapper } = field(['owner', 'viewer'], false)
    expect(wrapper.findAll('button, input, form')).toEqual([])
    expect(wrapper.text()).toContain('Person 1')
  })
})

it('an address is given once, without what stands around it, and the field is empty again', async () => {
  const { wrapper } = field(['owner'])
  const email = wrapper.find('input[type=email]')
  await wrapper.find('form').trigger('submit')
  expect(wrapper.emitted('give')).toBeUndefined()
  await email.setValue(' wren@harrowmere.example ')
  await wrapper.find('form').trigger('submit')
  await wrapper.find('form').trigger('submit')
  expect(wrapper.emitted('give')).toEqual([['wren@harrowmere.example', 'editor']])
  expect((email.element as HTMLInputElement).value).toBe('')
})
