import { expect, it } from 'vitest'
import { edited, fullLesson } from '../testing/index.ts'
import { checkLesson, edits, OVERLAY_FORMS, usualContent } from './index.ts'

it.each(OVERLAY_FORMS)('an overlay can become %s at once, and the lesson stays one', (form) => {
  const made = edited(fullLesson(), edits.setOverlayForm, {
    cueId: 'o',
    content: usualContent(form),
  })
  expect(checkLesson(made).ok).toBe(true)
  // Nothing that is written into one shows in another.
  expect(usualContent(form)).not.toBe(usualContent(form))
})
