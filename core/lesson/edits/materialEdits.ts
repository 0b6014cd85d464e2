// Edits of shared material: a passage, a picture or a stretch of film that several questions are about.
import { cleanRich, cleanText, type RichText } from '../../fields/index.ts'
import type { Edit } from '../runEdit.ts'
import { orderAfterAll } from './placing.ts'

/** Puts new material in, and ties a question to it. */
export const addMaterial: Edit<{ materialId: string; questionId: string; title: string }> = {
  name: 'addMaterial',
  change: (draft, { materialId: id, questionId, title }) => {
    const materials = (draft.materials ??= {})
    const order = orderAfterAll(Object.values(materials))
    materials[id] = { id, order, title: cleanText(title), text: '' }
    const question = draft.questions[questionId]
    if (question) question.materialId = id
  },
}

export const setMaterial: Edit<{
  materialId: string
  change: { title?: string; text?: RichText }
}> = {
  name: 'setMaterial',
  change: (draft, { materialId, change }) => {
    const material = draft.materials?.[materialId]
    if (!material) return
    if (change.title !== undefined) material.title = cleanText(change.title)
    if (change.text !== undefined) material.text = cleanRich(change.text)
  },
}

/** Ties a question to material, or to none. */
export const tieMaterial: Edit<{ questionId: string; materialId: string | null }> = {
  name: 'tieMaterial',
  change: (draft, { questionId, materialId }) => {
    const question = draft.questions[questionId]
    if (!question) return
    if (materialId === null) delete question.materialId
    else question.materialId = materialId
  },
}

/** Deletes material; questions about it stay, without it. */
export const removeMaterial: Edit<{ materialId: string }> = {
  name: 'removeMaterial',
  change: (draft, { materialId }) => {
    delete draft.materials?.[materialId]
    for (const question of Object.values(draft.questions))
      if (question.materialId === materialId) delete question.materialId
  },
}
