// What all reports share: where they come from, which edition, and how figures are written.
import { ref, watch } from 'vue'
import { useI18n } from 'vue-i18n'
import type { Source } from '@fernbrake/core/contract'
import { useLoaded } from '../ui/useLoaded.ts'

export interface ReportSource {
  source: Source
  sourceId: string
}

/** Loads a report, again for each edition that is picked. */
export function useReport<T>(load: (edition: number | undefined) => Promise<T>) {
  const edition = ref<number | undefined>()
  const loaded = useLoaded(() => load(edition.value))
  watch(edition, () => void loaded.reload())
  return { ...loaded, edition }
}

export function useFigures() {
  const { n } = useI18n()
  return {
    /** A share of one as per cent; a dash where nobody knows. */
    percent: (value: number | null) =>
      value === null ? '–' : n(value, { style: 'percent', maximumFractionDigits: 0 }),
    /** A figure with up to this many places; a dash where nobody knows. */
    figure: (value: number | null, places = 2) =>
      value === null ? '–' : n(value, { maximumFractionDigits: places }),
  }
}
