// Misspellings as teachers meet them: each is let pass. What makes another word of the language is looked at with the lists of
// words, in server/lessons/words.
import { expect, it } from 'vitest'
import { markQuestion } from '../index.ts'
import { entries, questionOf } from '../testing.ts'

/** What is meant, and how it was written. */
const TABLE = `
photosynthesis photosinthesis | respiration resperation | transpiration transpiraton | osmosis osmossis
diffusion difusion | enzyme enzime | catalyst catalist | hydrogen hydrogyn | nitrogen nitrogin
electricity electrisity | resistance resistence | acceleration acceleratoin | velocity velosity | frequency frequancy
temperature temprature | pressure presure | volume volum | equilibrium equilibrum | revolution revolutoin
constitution constituton | democracy democrasy | parliament parliment | Napoleon Napolean | Caesar Ceasar
Einstein Einstien | Pythagoras Pythagorus | hypotenuse hypotenuze | isosceles isoceles | parallel paralel
perpendicular perpendiculer | circumference circumfrence | metaphor metafor | onomatopoeia onomatopeia | rhythm rythm
soliloquy soliloquey | Mediterranean Mediteranean | Sahara Sahra | Himalayas Himalyas | Philippines Phillipines
Massachusetts Massachusets | Kilimanjaro Kilimanjaro. | Reykjavik Reykjavík | Copenhagen Kopenhagen | sluice sluise
weir wier | canal cannal | towpath tow path | gate gates | paddle paddel | chamber chambre | reservoir resevoir
limestone lime stone | sandstone sandston | stalactite stalagtite | earthquake earth quake | volcano vulcano
tsunami tsunammi | continent continant | colour color | centre center | analyse analyze | aluminium aluminum
sulphur sulfur | grey gray | defence defense | organise organize | haemoglobin hemoglobin | oesophagus esophagus
foetus fetus | catalogue catalog | programme program | travelling traveling | tyre tire | plough plow | metre meter
accommodation accomodation | necessary neccessary | definite definate | separate seperate | environment enviroment
February Febuary | Wednesday Wensday | knowledge knowlege | beginning begining | occurred occured
millennium millenium | embarrass embarass | privilege priviledge | maintenance maintenence | independent independant
committee comittee | possession posession | receive recieve | believe beleive | government goverment
argument arguement | calendar calender | cemetery cemetary | conscience concience | existence existance
foreign foriegn | guarantee garantee | immediate imediate | intelligence inteligence | liaison liason | library libary
medieval medeival | mischievous mischevious | neighbour nieghbour | occasion ocassion | persistent persistant
piece peice | pronunciation pronounciation | publicly publically | questionnaire questionaire | restaurant restaraunt
schedule schedual | sergeant sargeant | sincerely sincerly | supersede supercede | surprise suprise
tendency tendancy | threshold threshhold | tomorrow tommorow | truly truely | vacuum vaccum | weird wierd
glacier glaciar | molecule molecual | oxygen oxigen | carbon carben | chloroplast cloroplast | membrane membrain
cytoplasm citoplasm | ribosome ribosom | nucleus nuclius | chromosome cromosome | vertebrate vertibrate
amphibian amphibean | reptile reptil | species speceis | habitat habitate | ecosystem ecosistem | predator preditor
herbivore herbavore | decomposer decompozer | fertilizer fertiliser | pollination polination | germination jermination
fossil fosil | igneous ignious | sedimentary sedimentry | metamorphic metamorfic | equator equater
hemisphere hemispere | meridian meridien | plateau platau | archipelago archipeligo | peninsula peninsular
pharaoh pharoah | pyramid piramid | hieroglyphics hyroglyphics | Renaissance Renaisance | Reformation Reformaton
industrial industral | parliamentary parlimentary | Mesopotamia Mesapotamia | Alexander Alexsander
Cleopatra Cleopatara | Michelangelo Micheangelo | Shakespeare Shakespere | sonnet sonet | alliteration aliteration
simile similie | hyperbole hyperboly | denominator denomenator | quotient quotent | quadrilateral quadralateral
trapezium trapezeum | diameter diamater | radius radious | algorithm algorythm | binary binery | variable varible
asymptote assymptote | logarithm logarithum
`

it('misspellings are let pass', () => {
  const refused = TABLE.split(/[|\n]/).filter((pair) => {
    const [, meant, text] = /^\s*(\S+) (.*\S)\s*$/.exec(pair) ?? []
    if (!meant) return false
    const question = questionOf('shortText', {
      listed: entries([{ text: meant, as: 'words', share: 1, feedback: '' }]),
      rules: { minds: { case: false, accents: false }, typos: true },
    })
    return markQuestion(question, { kind: 'shortText', text: text! }).verdict !== 'right'
  })
  expect(refused).toEqual([])
})
