// Speaks sentences with Debian's festival (voice of festvox-us-slt-hts) and lays them on one sound track.
import { execFileSync } from 'node:child_process'
import { readFileSync, writeFileSync } from 'node:fs'
import { join } from 'node:path'

export const SAMPLE_RATE = 32_000

export interface Spoken {
  id: string
  fromMs: number
  toMs: number
}

/** Speaks one sentence; mono samples at SAMPLE_RATE with silence at both ends cut off. */
export function speak(text: string, folder: string, name: string): Int16Array {
  const wav = join(folder, `${name}.wav`)
  execFileSync(
    'text2wave',
    [
      '-eval',
      '(begin (voice_cmu_us_slt_arctic_hts) (Parameter.set (quote Duration_Stretch) 1.12))',
      '-F',
      String(SAMPLE_RATE),
      '-o',
      wav,
    ],
    { input: text },
  )
  return trimSilence(samplesOfWav(readFileSync(wav)))
}

function samplesOfWav(wav: Buffer): Int16Array {
  const data = wav.indexOf('data', 12, 'latin1')
  if (data < 0) throw new Error('The speech synthesizer wrote no sound')
  const length = Math.floor(wav.readUInt32LE(data + 4) / 2)
  return Int16Array.from({ length }, (_, index) => wav.readInt16LE(data + 8 + index * 2))
}

function trimSilence(samples: Int16Array, threshold = 250): Int16Array {
  const loud = (sample: number) => Math.abs(sample) > threshold
  const first = samples.findIndex(loud)
  const last = samples.findLastIndex(loud)
  return first < 0 ? samples : samples.slice(Math.max(0, first - 640), last + 1600)
}

/** Writes a mono 16-bit WAV file. */
export function writeWav(path: string, samples: Int16Array): void {
  const header = Buffer.alloc(44)
  header.write('RIFF', 0, 'latin1')
  header.writeUInt32LE(36 + samples.length * 2, 4)
  header.write('WAVEfmt ', 8, 'latin1')
  header.writeUInt32LE(16, 16)
  header.writeUInt16LE(1, 20)
  header.writeUInt16LE(1, 22)
  header.writeUInt32LE(SAMPLE_RATE, 24)
  header.writeUInt32LE(SAMPLE_RATE * 2, 28)
  header.writeUInt16LE(2, 32)
  header.writeUInt16LE(16, 34)
  header.write('data', 36, 'latin1')
  header.writeUInt32LE(samples.length * 2, 40)
  writeFileSync(
    path,
    Buffer.concat([header, Buffer.from(samples.buffer, samples.byteOffset, samples.byteLength)]),
  )
}
