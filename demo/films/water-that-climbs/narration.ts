// What is said in “Water That Climbs”, sentence by sentence. Pictures, captions and chapters hang on these ids.

import type { Sentence } from '../times.ts'

export const NARRATION: readonly Sentence[] = [
  { id: 'slope', text: 'Water will not lie on a slope.', beforeMs: 2600, chapter: 'Why locks' },
  { id: 'pour', text: 'Pour it on a hillside, and it runs away.' },
  {
    id: 'climb',
    text: 'Yet at Cantle Steps, on the Harrowmere Navigation, boats climb a hill.',
    beforeMs: 300,
  },
  { id: 'rise', text: 'They rise twenty-six metres in little more than a kilometre.' },
  { id: 'noPump', text: 'They do it without an engine, and without a pump.' },
  {
    id: 'steps',
    text: 'The trick is to cut the hill into steps, and to lay the water flat on each one.',
    beforeMs: 400,
  },
  {
    id: 'room',
    text: 'Between two steps stands a lock: a room for water, with a door at each end.',
    beforeMs: 300,
  },
  { id: 'eleven', text: 'Eleven of these rooms make the flight at Cantle Steps.' },
  {
    id: 'open',
    text: 'Let us cut one open, and look inside.',
    beforeMs: 1400,
    chapter: 'The chamber',
  },
  {
    id: 'chamber',
    text: 'The room itself is the chamber. Its walls are stone, and its floor is flat.',
    beforeMs: 300,
  },
  {
    id: 'lowerGates',
    text: 'At the lower end stand the lower gates. They are tall, for they must hold back a full chamber.',
  },
  {
    id: 'upperGates',
    text: 'At the upper end stand the upper gates. They are short, because they stand on a step.',
  },
  {
    id: 'sill',
    text: 'That step is called the sill. Remember it: it is the most dangerous thing in the lock.',
  },
  {
    id: 'notGates',
    text: 'Gates are never used to let water in or out. That is the work of the paddles.',
    beforeMs: 300,
  },
  {
    id: 'paddle',
    text: 'A paddle is a small shutter, low down. The keeper winds it up with an iron crank, called a windlass.',
  },
  { id: 'upperPaddle', text: 'The upper paddle lets water into the chamber.' },
  { id: 'lowerPaddle', text: 'The lower paddle lets it out.', beforeMs: 900 },
  {
    id: 'boat',
    text: 'Now a boat comes up from below. The chamber is empty: its water is level with the lower pound.',
    beforeMs: 2200,
    chapter: 'Filling',
  },
  { id: 'equal', text: 'Because the levels are equal, the lower gates can be pushed open.' },
  {
    id: 'moveIn',
    text: 'The boat moves in, slowly, and stops well clear of the sill.',
    beforeMs: 900,
  },
  {
    id: 'shut',
    text: 'The keeper shuts the lower gates behind it, and checks that both lower paddles are down.',
    beforeMs: 1800,
  },
  {
    id: 'tied',
    text: 'With the gates shut, and the boat tied fore and aft, the keeper winds the upper paddle.',
    beforeMs: 900,
  },
  {
    id: 'low',
    text: 'Water enters low in the chamber, so the boat rises without a surge.',
    beforeMs: 500,
  },
  {
    id: 'half',
    text: 'Half the paddle first. Too much water too soon, and the boat is thrown against the gate.',
  },
  {
    id: 'third',
    text: 'When the boat has risen a third of the way, the keeper winds the paddle fully.',
  },
  {
    id: 'weight',
    text: 'Nothing pumps this water. It comes down from the pound above, by its own weight.',
    beforeMs: 300,
  },
  {
    id: 'cubic',
    text: 'Each filling takes about one hundred and sixteen cubic metres out of the upper pound.',
  },
  {
    id: 'weak',
    text: "As the levels draw near, the flow grows weak. The last hand's breadth is the slowest.",
  },
  { id: 'level', text: 'Now the chamber is level with the upper pound.', beforeMs: 900 },
  {
    id: 'onlyNow',
    text: 'Only now can the upper gates move. While one side stood higher, the weight of the water held them shut.',
    beforeMs: 1400,
    chapter: 'Leaving',
  },
  { id: 'beam', text: 'The keeper leans on the beam, and the gates swing open.' },
  {
    id: 'leaves',
    text: 'The boat leaves, two point four metres higher than it came.',
    beforeMs: 900,
  },
  {
    id: 'closed',
    text: 'The gates are shut behind it, and the paddle is wound down. A lock is always left closed.',
    beforeMs: 1800,
  },
  {
    id: 'down',
    text: 'Going down is the same work in the other order. The boat enters a full chamber, and the lower paddle lets the water out.',
    beforeMs: 1800,
  },
  { id: 'teeth', text: 'Here the sill shows its teeth.', beforeMs: 300 },
  {
    id: 'hang',
    text: 'If the stern is left above the sill while the water falls, it is caught, and hangs there.',
  },
  { id: 'flood', text: 'The bow goes on sinking. In a minute, the boat can flood.' },
  {
    id: 'mark',
    text: 'So the keeper watches the stern, and the mark that is painted on the wall.',
  },
  {
    id: 'catches',
    text: 'If it catches: lower paddles down at once. Then let water in from above, gently, until she floats.',
    beforeMs: 300,
  },
  {
    id: 'again',
    text: 'Then begin again, with the boat well forward of the mark.',
    beforeMs: 1200,
  },
  { id: 'itDoesNot', text: 'So that is how water climbs: it does not.', beforeMs: 3600 },
  { id: 'comesDown', text: 'It comes down, one step at a time, and lifts whatever floats on it.' },
  { id: 'upDown', text: 'The boat goes up. The water only ever goes down.', beforeMs: 400 },
]
