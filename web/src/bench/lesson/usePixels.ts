// A few pixels of a picture, for judging how letters read on it.
import { shallowRef, watch, type Ref } from 'vue'

/** The shape of a cover where learners see it, and how finely it is looked at. */
const WIDTH = 64
const HEIGHT = 29

/** RGBA, four bytes each, of the middle of the picture in the shape of a cover; null until it is there, or cannot be. */
export function usePixels(address: () => string | null): Readonly<Ref<Uint8ClampedArray | null>> {
  const pixels = shallowRef<Uint8ClampedArray | null>(null)
  watch(
    address,
    async (source) => {
      pixels.value = null
      if (source === null) return
      const read = await readPixels(source).catch(() => null)
      if (source === address()) pixels.value = read
    },
    { immediate: true },
  )
  return pixels
}

export async function readPixels(source: string): Promise<Uint8ClampedArray> {
  const image = new Image()
  image.src = source
  await image.decode()
  const canvas = document.createElement('canvas')
  canvas.width = WIDTH
  canvas.height = HEIGHT
  const scale = Math.max(WIDTH / image.naturalWidth, HEIGHT / image.naturalHeight)
  const [width, height] = [image.naturalWidth * scale, image.naturalHeight * scale]
  const context = canvas.getContext('2d')!
  context.drawImage(image, (WIDTH - width) / 2, (HEIGHT - height) / 2, width, height)
  return context.getImageData(0, 0, WIDTH, HEIGHT).data
}
