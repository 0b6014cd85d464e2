// Looks for calm spots on the filmstrip, away from the thread that draws the page.
import { lightOfPixels } from '@fernbrake/core/colour'
import {
  calmSpots,
  filmstripLayout,
  filmstripPlace,
  type CalmWish,
  type LightFrame,
  type Spot,
} from '@fernbrake/core/media'

export interface CalmQuestion {
  id: number
  /** Address of the film's strip. */
  strip: string
  durationMs: number
  times: number[]
  wish: CalmWish
}

export interface CalmAnswer {
  id: number
  /** Null where the strip cannot be read. */
  found: { here: Spot; best: Spot[] } | null
}

const strips = new Map<string, Promise<ImageBitmap>>()

function stripAt(address: string): Promise<ImageBitmap> {
  const known = strips.get(address)
  if (known) return known
  const loading = fetch(address).then(async (reply) => {
    if (!reply.ok) throw new Error(`The filmstrip answered ${reply.status}`)
    return createImageBitmap(await reply.blob())
  })
  strips.set(address, loading)
  loading.catch(() => strips.delete(address))
  return loading
}

function framesOf(strip: ImageBitmap, durationMs: number, times: number[]): LightFrame[] {
  const layout = filmstripLayout(durationMs)
  const width = Math.floor(strip.width / layout.columns)
  const height = Math.floor(strip.height / layout.rows)
  const canvas = new OffscreenCanvas(width, height)
  const context = canvas.getContext('2d', { willReadFrequently: true })!
  const seen = new Set<string>()
  return times.flatMap((ms) => {
    const { column, row } = filmstripPlace(layout, ms)
    if (seen.has(`${column} ${row}`)) return []
    seen.add(`${column} ${row}`)
    context.drawImage(strip, column * width, row * height, width, height, 0, 0, width, height)
    return [{ width, height, light: lightOfPixels(context.getImageData(0, 0, width, height).data) }]
  })
}

async function answer({
  strip,
  durationMs,
  times,
  wish,
}: CalmQuestion): Promise<CalmAnswer['found']> {
  try {
    return calmSpots(framesOf(await stripAt(strip), durationMs, times), wish)
  } catch {
    return null
  }
}

addEventListener('message', (event: MessageEvent<CalmQuestion>) => {
  void answer(event.data).then((found) =>
    postMessage({ id: event.data.id, found } satisfies CalmAnswer),
  )
})
