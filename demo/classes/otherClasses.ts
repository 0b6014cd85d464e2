// The two smaller classes: made-up people who have just begun, and who meet in a live class.

export const AUTUMN_REFRESHERS: readonly string[] = [
  'Abel Thornquist',
  'Briony Sedgemoor',
  'Caspar Whitlow',
  'Dinah Ravelston',
  'Ewart Pockley',
  'Freya Stannard',
  'Gideon Marlpit',
  'Hester Oldacre',
  'Ivo Brackenbury',
  'Juno Fairlight',
  'Kit Saltersgate',
  'Tam Oakshott',
]

export const CANTLE_STEPS_CREW: readonly string[] = [
  'Arlo Windlass-Hay',
  'Bettina Crake',
  'Cyril Towpath',
  'Delphine Moorhead',
  'Emrys Gannet',
  'Flora Heelpost',
  'Gwen Sluice',
  'Hamish Bywater',
  'Ines Coldwell',
]
