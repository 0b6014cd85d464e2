// The templates that a lesson can begin from, in words, and the lesson that each makes.
import { nanoid } from 'nanoid'
import { computed } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Lesson } from '@fernbrake/core/lesson'
import { TEMPLATES, type TemplateName } from '@fernbrake/core/templates'

export function useTemplates() {
  const { t } = useI18n()
  const templates = computed(() =>
    TEMPLATES.map((name) => ({
      name,
      words: t(`template.${name}.name`),
      about: t(`template.${name}.about`),
      parts: t(`template.${name}.parts`),
    })),
  )
  /** What a template says is fetched when one is taken. */
  async function lessonFrom(
    name: TemplateName,
    words: { title: string; language: string },
  ): Promise<Lesson> {
    const { buildTemplate, ENGLISH_TEMPLATES } = await import('@fernbrake/core/templates')
    return buildTemplate(ENGLISH_TEMPLATES[name], { ...words, newId: nanoid })
  }
  return { templates, lessonFrom }
}
