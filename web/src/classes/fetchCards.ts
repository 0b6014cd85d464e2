// Fetches sign-in cards as a PDF and hands it to the browser to keep or print.
import { ADDRESSES, type Class, type Problem } from '@fernbrake/core/contract'
import { sentenceOf } from '../api/client.ts'
import { cleanFileName } from '../sharing/cleanFileName.ts'
import { saveFile } from '../ui/saveFile.ts'

/** Answers with a sentence where it did not work. */
export async function fetchCards(
  { id, title }: Pick<Class, 'id' | 'title'>,
  body: { people: string[] | null; anew: boolean },
  t: (key: string, named?: object) => string,
): Promise<string | null> {
  try {
    const response = await fetch(ADDRESSES.signInCards[1].replace(':classId', id), {
      method: 'POST',
      headers: { 'Content-Type': 'application/json' },
      body: JSON.stringify(body),
    })
    if (!response.ok) {
      const problem = (await response.json().catch(() => null)) as Problem | null
      return problem ? sentenceOf(problem) : t('fault.ours')
    }
    saveFile(await response.blob(), `${cleanFileName(t('classes.cardsFile', { title }))}.pdf`)
    return null
  } catch {
    return t('fault.unreachable')
  }
}
