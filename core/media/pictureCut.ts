// Cutting a picture: which part of it is shown, how it is turned, how large it is drawn. The picture itself stays.

export interface PictureCut {
  /** Quarter turns clockwise, done first. */
  turns: 0 | 1 | 2 | 3
  /** The part that stays, in shares of the turned picture. */
  box: { x: number; y: number; width: number; height: number }
  /** Width of the result in pixels; null for as many as the part has. Never more than that. */
  width: number | null
}

export interface Size {
  width: number
  height: number
}

export const WHOLE_PICTURE: PictureCut = {
  turns: 0,
  box: { x: 0, y: 0, width: 1, height: 1 },
  width: null,
}

/** The size of a picture after quarter turns. */
export function turnedSize({ width, height }: Size, turns: number): Size {
  return turns % 2 === 1 ? { width: height, height: width } : { width, height }
}

/** The part in whole pixels of the turned picture; at least one pixel, and never beyond its edges. */
export function cutPixels(
  source: Size,
  { turns, box }: PictureCut,
): Size & { x: number; y: number } {
  const turned = turnedSize(source, turns)
  const along = (from: number, length: number, all: number) => {
    const at = Math.min(Math.max(0, Math.round(from * all)), all - 1)
    const end = Math.min(Math.max(at + 1, Math.round((from + length) * all)), all)
    return { at, size: end - at }
  }
  const across = along(box.x, box.width, turned.width)
  const down = along(box.y, box.height, turned.height)
  return { x: across.at, y: down.at, width: across.size, height: down.size }
}

/** The size of what comes out. */
export function cutSize(source: Size, cut: PictureCut): Size {
  const { width, height } = cutPixels(source, cut)
  const wanted = Math.min(cut.width ?? width, width)
  return { width: wanted, height: Math.max(1, Math.round((height * wanted) / width)) }
}

/**
 * The largest box of this shape (width by height, in pixels) that lies in `box`, about its middle; `source` is the
 * turned picture. With null the box stays.
 */
export function shapedBox(
  box: PictureCut['box'],
  source: Size,
  ratio: number | null,
): PictureCut['box'] {
  if (ratio === null) return box
  const [width, height] = [box.width * source.width, box.height * source.height]
  const [nextWidth, nextHeight] =
    width / height > ratio ? [height * ratio, height] : [width, width / ratio]
  return {
    x: box.x + (width - nextWidth) / 2 / source.width,
    y: box.y + (height - nextHeight) / 2 / source.height,
    width: nextWidth / source.width,
    height: nextHeight / source.height,
  }
}

/** Where a box of a picture lies once the picture has been turned by a quarter clockwise. */
export function turnedBox({ x, y, width, height }: PictureCut['box']): PictureCut['box'] {
  return { x: 1 - y - height, y: x, width: height, height: width }
}
