// The Spring intake: 26 made-up people who have worked, more or less, through lesson 1.

export const SPRING_INTAKE: readonly string[] = [
  'Ansa Quillmere',
  'Bram Oxwith',
  'Corrie Thaxley',
  'Dov Penhallister',
  'Edda Marrowby',
  'Fenn Carstowe',
  'Greta Ullswick',
  'Hollis Brindlow',
  'Imre Castlebeck',
  'Jory Netherwood',
  'Kezia Sandholm',
  'Lorne Wexcombe',
  'Maud Ferriby-Lunn',
  'Nils Tarnwick',
  'Odile Harcastle',
  'Piet Rushmoor',
  'Quenna Islewright',
  'Rufus Dapplemere',
  'Sunniva Ackerley',
  'Tobin Wharfside',
  'Una Kestermann',
  'Viggo Lanthorne',
  'Wilma Eddlestone',
  'Xenia Poldwick',
  'Yorick Stallbridge',
  'Zita Mowbray-Finch',
]

/** These two only skipped through. */
export const SKIPPERS: readonly string[] = ['Jory Netherwood', 'Viggo Lanthorne']
