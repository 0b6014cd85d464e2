// Which signs a caption file was written with, told by its bytes alone.
import { expect, it } from 'vitest'
import { canBe, decodeAs, recogniseEncoding, type Encoding } from './encodings.ts'

const SAID = {
  german:
    'Die Schleuse schließt. Öffnen Sie das Tor über dem Häuschen für größere Boote, später den Kanal.',
  french: "L'écluse était fermée à l'été dernier, où le maître éclusier déjà âgé préfère le canal.",
  spanish:
    'La esclusa está cerrada. El señor abrió la compuerta después; ¿cuándo llegará el barco?',
  polish:
    'Śluza jest zamknięta. Proszę otworzyć górną bramę, gdy łódź będzie w środku. Źródło żółtej wody.',
  czech:
    'Zdymadlo je zavřené. Otevřete prosím horní vrata, když loď připluje. Příliš žluťoučký kůň.',
  russian:
    'Шлюз закрыт. Откройте верхние ворота, когда лодка будет внутри. Вода течёт через затвор.',
}
const captions = (words: string, count: number) =>
  Array.from(
    { length: count },
    (_, at) => `${at + 1}\r\n00:00:0${at},000 --> 00:00:0${at + 1},000\r\n${words}\r\n`,
  ).join('\r\n')

/** The bytes of a text in an encoding of one byte a sign, by asking what each byte stands for. */
function bytesIn(encoding: Encoding, text: string): Uint8Array {
  const decoder = new TextDecoder(encoding)
  const bytes = new Map(
    Array.from({ length: 256 }, (_, at) => [decoder.decode(Uint8Array.of(at)), at]),
  )
  return Uint8Array.from([...text].map((sign) => bytes.get(sign)!))
}

it.each([
  ['german', 'windows-1252'],
  ['french', 'windows-1252'],
  ['spanish', 'windows-1252'],
  ['polish', 'windows-1250'],
  ['polish', 'iso-8859-2'],
  ['czech', 'windows-1250'],
  ['czech', 'iso-8859-2'],
  ['russian', 'windows-1251'],
] as const)('%s in %s is recognised, and asked about', (language, encoding) => {
  for (const count of [1, 6]) {
    const text = captions(SAID[language], count)
    const bytes = bytesIn(encoding, text)
    expect(recogniseEncoding(bytes)).toEqual({ encoding, isSure: false })
    expect(decodeAs(bytes, encoding)).toBe(text)
  }
})

it('the euro tells ISO 8859-15 from Windows', () => {
  const bytes = bytesIn('iso-8859-15', captions(`${SAID.german} 5 €`, 2))
  expect(recogniseEncoding(bytes)).toEqual({ encoding: 'iso-8859-15', isSure: false })
})

it('Unicode is known by itself, with a mark and without', () => {
  for (const words of Object.values(SAID)) {
    const text = captions(words, 2)
    const wide = Uint8Array.from(Buffer.from(text, 'utf16le'))
    const turned = Uint8Array.from(Buffer.from(text, 'utf16le').swap16())
    const known = (bytes: Uint8Array, encoding: Encoding) => {
      expect(recogniseEncoding(bytes)).toEqual({ encoding, isSure: true })
      expect(decodeAs(bytes, encoding)).toBe(text)
    }
    known(new TextEncoder().encode(text), 'utf-8')
    known(new TextEncoder().encode(`\ufeff${text}`), 'utf-8')
    known(wide, 'utf-16le')
    known(Uint8Array.of(0xff, 0xfe, ...wide), 'utf-16le')
    known(turned, 'utf-16be')
    known(Uint8Array.of(0xfe, 0xff, ...turned), 'utf-16be')
  }
})

it('UTF-8 with one broken place is still offered as UTF-8, and what is no text is none', () => {
  const broken = Uint8Array.of(...new TextEncoder().encode(captions(SAID.polish, 3)), 0xff)
  expect(canBe(broken, 'utf-8')).toBe(false)
  expect(recogniseEncoding(broken)).toEqual({ encoding: 'utf-8', isSure: false })
  expect(recogniseEncoding(Uint8Array.of(0x50, 0x4b, 3, 4, 0, 0))).toBeNull()
  expect(recogniseEncoding(new Uint8Array(0))).toEqual({ encoding: 'utf-8', isSure: true })
})
