// One word with two spellings, British and American, where the one is no slip of the other: both are right wherever one is.
import { remembered } from '../../fields/index.ts'

const PAIRS = `
grey gray | tyre tire | plough plow | sulphur sulfur | aluminium aluminum | mould mold
programme program | sceptic skeptic | jewellery jewelry | moustache mustache | pyjamas pajamas
manoeuvre maneuver | oesophagus esophagus | oestrogen estrogen | foetus fetus | caesium cesium
gaol jail | haem heme | orthopaedic orthopedic | sulphate sulfate | sulphide sulfide | sulphuric sulfuric
`
const american: ReadonlyMap<string, string> = new Map(
  PAIRS.split(/[|\n]/).flatMap((pair) => {
    const [british, other] = pair.trim().split(' ')
    return other ? [[british!, other] as const, [`${british!}s`, `${other}s`] as const] : []
  }),
)

/** A text in small letters with each of these words in its American spelling. */
export const inOneSpelling = remembered(1000, (text: string) =>
  text
    .split(' ')
    .map((word) => american.get(word) ?? word)
    .join(' '),
)
