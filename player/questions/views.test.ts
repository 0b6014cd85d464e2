// Views that are fetched apart bring their texts along.
import { expect, it } from 'vitest'
import { createPlayerI18n } from '../i18n.ts'
import further from '../locales/enFurther.ts'
import { viewFor } from './views.ts'

it('the texts of a view are there once it is', async () => {
  const { global } = await createPlayerI18n('en')
  const isThere = () => global.te('player.turnCard')
  expect(isThere()).toBe(false)
  expect(await viewFor('terms')).toBeTruthy()
  expect(isThere()).toBe(true)
  expect(global.t('player.turnCard')).toBe(further.turnCard)
  // What was there before stays.
  expect(global.t('player.play')).toBe('Play')
})
