// What was found in a film while it was prepared: waveform, pauses in speech, shots. Each comes when it is ready.
import { shallowRef, watch, type Ref } from 'vue'
import {
  mediaFileAddress,
  pausesFileSchema,
  shotsFileSchema,
  type Media,
  type MediaFileKind,
} from '@fernbrake/core/contract'
import { readPeakFile, type Pause, type PeakLevels } from '@fernbrake/core/media'

export function useFilmTimes(media: Ref<Media | null>) {
  const peaks = shallowRef<PeakLevels | null>(null)
  const pauses = shallowRef<readonly Pause[]>([])
  const shots = shallowRef<readonly number[]>([])

  /** Loads one file of the film as soon as it is there, and again for another film. */
  function follow(kind: MediaFileKind, take: (response: Response | null) => Promise<void>): void {
    watch(
      () => (media.value?.files.includes(kind) ? media.value.id : null),
      async (mediaId) => {
        await take(null)
        if (!mediaId) return
        const response = await fetch(mediaFileAddress(mediaId, kind)).catch(() => null)
        // Without it the film is still good to work with; another film may have come meanwhile.
        if (response?.ok && media.value?.id === mediaId) await take(response).catch(() => undefined)
      },
      { immediate: true },
    )
  }
  follow('peaks', async (response) => {
    peaks.value = response && readPeakFile(await response.arrayBuffer())
  })
  follow('pauses', async (response) => {
    pauses.value = response ? pausesFileSchema.parse(await response.json()).pauses : []
  })
  follow('shots', async (response) => {
    shots.value = response ? shotsFileSchema.parse(await response.json()).shots : []
  })
  return { peaks, pauses, shots }
}
