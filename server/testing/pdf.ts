// The smallest PDFs that tests need, written by hand (ISO 32000-1).

export interface PdfWish {
  /** The words on each page. */
  pages: readonly string[]
  /** In points. */
  size?: readonly [width: number, height: number]
  /** Cannot be opened without a password, which nobody has. */
  locked?: boolean
}

export function makePdf({ pages, size = [400, 300], locked = false }: PdfWish): Buffer {
  const objects: string[] = ['<< /Type /Catalog /Pages 2 0 R >>']
  const first = 4
  const kids = pages.map((_, index) => `${first + index * 2} 0 R`).join(' ')
  objects.push(`<< /Type /Pages /Kids [${kids}] /Count ${pages.length} >>`)
  objects.push('<< /Type /Font /Subtype /Type1 /BaseFont /Helvetica >>')
  pages.forEach((words, index) => {
    const box = `[0 0 ${size[0]} ${size[1]}]`
    const content = `BT /F1 24 Tf 40 ${size[1] / 2} Td (${words}) Tj ET`
    objects.push(
      `<< /Type /Page /Parent 2 0 R /MediaBox ${box} /Contents ${first + index * 2 + 1} 0 R /Resources << /Font << /F1 3 0 R >> >> >>`,
      `<< /Length ${content.length} >>\nstream\n${content}\nendstream`,
    )
  })
  const hex = '00112233445566778899aabbccddeeff'.repeat(2)
  if (locked) objects.push(`<< /Filter /Standard /V 1 /R 2 /O <${hex}> /U <${hex}> /P -4 >>`)
  const encrypt = locked ? `/Encrypt ${objects.length} 0 R /ID [<00><00>]` : ''
  return assemble(objects, encrypt)
}

function assemble(objects: readonly string[], more: string): Buffer {
  let text = '%PDF-1.4\n'
  const offsets = objects.map((object, index) => {
    const at = text.length
    text += `${index + 1} 0 obj\n${object}\nendobj\n`
    return at
  })
  const start = text.length
  const rows = offsets.map((at) => `${String(at).padStart(10, '0')} 00000 n \n`).join('')
  text += `xref\n0 ${objects.length + 1}\n0000000000 65535 f \n${rows}`
  text += `trailer\n<< /Size ${objects.length + 1} /Root 1 0 R ${more} >>\nstartxref\n${start}\n%%EOF\n`
  return Buffer.from(text, 'latin1')
}
