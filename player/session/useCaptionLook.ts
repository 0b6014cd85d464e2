// How a learner wants captions to look; remembered on the device.
import { reactive, watch } from 'vue'
import { keepHere, readKept } from './onDevice.ts'

export const CAPTION_SIZES = ['small', 'usual', 'large', 'largest'] as const
export const CAPTION_GROUNDS = ['dark', 'light', 'none'] as const
export interface CaptionLook {
  size: (typeof CAPTION_SIZES)[number]
  ground: (typeof CAPTION_GROUNDS)[number]
}

const LOOK_KEY = 'fernbrake-caption-look'
/** How many times the usual height. */
export const CAPTION_SCALE: Record<CaptionLook['size'], number> = {
  small: 0.8,
  usual: 1,
  large: 1.35,
  largest: 1.8,
}

/** What is not known is as usual: an older or a newer player may have written it. */
function readLook(): CaptionLook {
  const kept = (readKept(LOOK_KEY) ?? {}) as Partial<Record<string, unknown>>
  return {
    size: CAPTION_SIZES.find((one) => one === kept.size) ?? 'usual',
    ground: CAPTION_GROUNDS.find((one) => one === kept.ground) ?? 'dark',
  }
}

export function useCaptionLook(): CaptionLook {
  const look = reactive(readLook())
  watch(look, () => keepHere(LOOK_KEY, look))
  return look
}
