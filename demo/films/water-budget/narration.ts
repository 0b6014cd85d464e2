// What is said in “The Water Budget of a Flight”, sentence by sentence. The figures are those of `sums.ts`.
import type { Sentence } from '../times.ts'

export const NARRATION: readonly Sentence[] = [
  {
    id: 'welcome',
    text: 'Good morning. Today we count water.',
    beforeMs: 2600,
    chapter: 'What a boat costs',
  },
  {
    id: 'spends',
    text: 'Every boat that climbs Cantle Steps spends some, and somebody has to find it again.',
  },
  { id: 'oxwith', text: 'It comes from the reservoir at Oxwith, and there is only so much of it.' },
  {
    id: 'howMuch',
    text: 'So this is the question of our lecture: how much water does one boat cost?',
    beforeMs: 300,
  },
  {
    id: 'box',
    text: 'Look at the chamber of one lock. It is a box.',
    beforeMs: 1400,
    chapter: 'One lockful',
  },
  { id: 'long', text: 'It is twenty-two metres long.' },
  { id: 'wide', text: 'It is two point two metres wide, just wider than a boat.' },
  {
    id: 'floor',
    text: 'Length times width is the floor: forty-eight point four square metres.',
    beforeMs: 300,
  },
  { id: 'rise', text: 'When the chamber fills, its water rises by two point four metres.' },
  {
    id: 'notDepth',
    text: 'Mind that this is the rise, and not the depth. The water below the lower level never leaves.',
  },
  {
    id: 'volume',
    text: 'Floor times rise is the volume: one hundred and sixteen point one six cubic metres.',
    beforeMs: 300,
  },
  { id: 'lockful', text: 'We call that one lockful.' },
  { id: 'tonnes', text: 'It weighs a hundred and sixteen tonnes, as much as seven of our boats.' },
  { id: 'carry', text: 'Nobody could carry it. It moves because it is allowed to fall.' },
  {
    id: 'eleven',
    text: 'Cantle Steps has eleven such locks, one above the other.',
    beforeMs: 1400,
    chapter: 'Eleven locks, one price',
  },
  { id: 'itDoesNot', text: 'Does a boat then spend eleven lockfuls? It does not.' },
  {
    id: 'handsOn',
    text: 'A boat that goes down hands its water on. What leaves one lock comes in useful at the next.',
  },
  {
    id: 'passes',
    text: 'The top pound loses one lockful, and the bottom pound gains one. In between, the water only passes through.',
    beforeMs: 600,
  },
  { id: 'price', text: 'So the price of a passage is paid at the top, and it is one lockful.' },
  {
    id: 'anyBoat',
    text: 'It is the same for a long boat and for a short one, for the chamber is filled from wall to wall.',
  },
  {
    id: 'bargain',
    text: 'There is a bargain to be had. Let one boat go up, and the next one down.',
    beforeMs: 600,
  },
  {
    id: 'ready',
    text: 'The boat that went up leaves the lock full behind it. For the boat that goes down, it stands ready.',
  },
  {
    id: 'turns',
    text: 'Two boats, one lockful. That is why the keepers let boats take turns.',
    beforeMs: 600,
  },
  { id: 'dry', text: 'Now take a dry week in August.', beforeMs: 1400, chapter: 'A dry week' },
  { id: 'boats', text: 'Twenty-four boats a day want to pass, and nobody takes turns.' },
  {
    id: 'cost',
    text: 'Twenty-four lockfuls are two thousand seven hundred and eighty-eight cubic metres a day.',
  },
  { id: 'leak', text: 'Gates leak, and the sun drinks too. That takes another six hundred.' },
  { id: 'feeder', text: 'The feeder from Oxwith brings two thousand four hundred.' },
  {
    id: 'short',
    text: 'Add it up. Every day, the top pound is nine hundred and eighty-eight cubic metres short.',
    beforeMs: 300,
  },
  {
    id: 'falls',
    text: 'The pound is eleven thousand square metres wide. So it falls by nine centimetres a day.',
  },
  {
    id: 'spare',
    text: 'Nine centimetres do not sound like much. A loaded boat has fifty to spare.',
  },
  { id: 'aground', text: 'After a week of it, boats lie aground.' },
  {
    id: 'balance',
    text: 'Taking turns would halve the lockfuls, and the book would balance.',
    beforeMs: 600,
  },
  { id: 'people', text: 'But people do not always come in turns.' },
  {
    id: 'ponds',
    text: 'So the builders dug two ponds beside the chamber of lock six, one higher than the other.',
    beforeMs: 1400,
    chapter: 'Ponds beside the lock',
  },
  { id: 'same', text: 'Each has the same floor as the chamber.' },
  {
    id: 'layers',
    text: 'Think of the full chamber as four layers, each of them sixty centimetres high.',
  },
  {
    id: 'top',
    text: 'When the chamber empties, the top layer runs into the upper pond.',
    beforeMs: 300,
  },
  { id: 'second', text: 'The second layer runs into the lower pond.', beforeMs: 1200 },
  {
    id: 'spent',
    text: 'Only the last two layers go down to the pound below. They are spent.',
    beforeMs: 1200,
  },
  {
    id: 'refill',
    text: 'Then the next boat comes up, and the chamber must fill again.',
    beforeMs: 1600,
  },
  {
    id: 'giveBack',
    text: 'The lower pond gives its layer back first. It fills the bottom of the chamber.',
  },
  { id: 'thenUpper', text: 'Then the upper pond gives back the second layer.', beforeMs: 600 },
  { id: 'rest', text: 'The two layers that are missing come from the pound above.', beforeMs: 900 },
  {
    id: 'halved',
    text: 'Half of the water was used twice. A passage costs fifty-eight cubic metres, and not a hundred and sixteen.',
    beforeMs: 1600,
  },
  {
    id: 'whyNot',
    text: 'Why not save all of it? Because water only runs down. A pond must lie below what fills it, and above what it fills.',
    beforeMs: 600,
  },
  { id: 'more', text: 'More ponds save more, but each of them saves less than the one before.' },
  {
    id: 'book',
    text: 'A keeper writes this down every evening. We call it the water book.',
    beforeMs: 1400,
    chapter: 'The water book',
  },
  { id: 'columns', text: 'What came in. What was spent. What was lost. And what is left.' },
  { id: 'yours', text: 'Your task for this week is one page of that book, for your own lock.' },
  {
    id: 'sketch',
    text: 'And draw me a lock with its ponds, cut across, with the four layers in it.',
  },
  {
    id: 'last',
    text: 'Water is not gone when it has run down. It is only gone for those above.',
    beforeMs: 600,
  },
]
