// The look that a lesson asks for: its colours as tokens of the player, and its typefaces, fetched where they are wanted.
import { computed, watch, type ComputedRef } from 'vue'
import { shownTheme, type Theme, type ThemeFont } from '@fernbrake/core/lesson'

const FACES: Record<ThemeFont, { family: string; fetch?: () => Promise<unknown> }> = {
  literata: { family: "'Literata Variable', Literata, Georgia, serif" },
  atkinson: {
    family:
      "'Atkinson Hyperlegible Next Variable', 'Atkinson Hyperlegible Next', system-ui, sans-serif",
  },
  bitter: {
    family: "'Bitter Variable', Bitter, Georgia, serif",
    fetch: () => import('@fontsource-variable/bitter/index.css'),
  },
  nunito: {
    family: "'Nunito Variable', Nunito, system-ui, sans-serif",
    fetch: () => import('@fontsource-variable/nunito/index.css'),
  },
}

/** The style of an element of class `themed`; empty where the lesson has the usual look. */
export function useTheme(
  theme: () => Theme | null | undefined,
): ComputedRef<Record<string, string>> {
  const style = computed(() => {
    const picked = theme()
    if (!picked) return {}
    const colours = Object.entries(shownTheme(picked).tokens).map(([name, value]) => [
      `--theme-${name}`,
      value,
    ])
    return {
      ...(Object.fromEntries(colours) as Record<string, string>),
      '--theme-reading': FACES[picked.reading].family,
      '--theme-interface': FACES[picked.interface].family,
    }
  })
  watch(
    theme,
    (picked) => {
      // Without a connection the lesson is read in the fallback of the family.
      for (const font of picked ? [picked.reading, picked.interface] : [])
        void FACES[font].fetch?.().catch(() => undefined)
    },
    { immediate: true },
  )
  return style
}
