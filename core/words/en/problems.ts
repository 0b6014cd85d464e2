// English: what faults are called and say, and why a record that a player sends is never accepted.

export default {
  /** By type, as in `PROBLEM_TYPES`. */
  problems: {
    'invalid-input': {
      title: 'The request does not fit',
      detail: 'Something in the request is missing or not as it should be; nothing was changed.',
    },
    'too-large': {
      title: 'Too large',
      detail: 'The request is larger than is taken in here; nothing was changed.',
    },
    'not-json': {
      title: 'Not JSON',
      detail: 'The request could not be read as JSON; nothing was changed.',
    },
    'not-found': {
      title: 'Not found',
      detail: 'There is nothing here, or it is not yours to see.',
    },
    'not-signed-in': {
      title: 'Not signed in',
      detail: 'Sign in first; what you were doing is kept on this device.',
    },
    'not-allowed': { title: 'Not allowed', detail: 'Your account may not do this.' },
    'wrong-password': {
      title: 'Not signed in',
      detail: 'This name or address and this password do not belong together.',
    },
    'too-many-tries': {
      title: 'Too many tries',
      detail: 'Too many tries that did not fit. Wait a few minutes, then try again.',
    },
    'wrong-origin': {
      title: 'Sent from elsewhere',
      detail: 'The request came from another site and was not carried out.',
    },
    'edit-refused': {
      title: 'The edit does not fit',
      detail: 'The edit does not fit the lesson as it is now; the lesson is unchanged.',
    },
    'stale-revision': {
      title: 'Changed in between',
      detail: 'The lesson has changed since. Look at it again, then publish.',
    },
    'not-publishable': {
      title: 'Cannot be published yet',
      detail: 'Some things must be mended before this lesson can be published.',
    },
    'learners-inside': {
      title: 'Learners are in the edition before',
      detail:
        'Learners have begun the edition before this one. They stay in it; say so to publish.',
    },
    'not-shared': {
      title: 'Not shared with you',
      detail:
        'This lesson was not shared with you. Ask whoever gave you the link, or sign in as somebody else.',
    },
    'no-such-designer': {
      title: 'No such account',
      detail: 'No designer has an account with this email address. The keeper can make one.',
    },
    'last-owner': {
      title: 'The last owner',
      detail: 'A lesson needs an owner. Make somebody else one first.',
    },
    'already-exists': { title: 'Exists already', detail: 'Something else already has this id.' },
    'not-a-film': { title: 'Not a film', detail: 'This file is not a film that can be read.' },
    'file-refused': {
      title: 'Another sort of file',
      detail: 'By its content this is not one of the sorts of file that are asked for here.',
    },
    'no-room': {
      title: 'No room',
      detail:
        'The server has no room for this file. Nothing was lost; tell your keeper, and try again later.',
    },
    'upload-gone': {
      title: 'Upload gone',
      detail: 'This upload is not here any more. Begin it again.',
    },
    'class-full': {
      title: 'The class is full',
      detail: 'A class holds up to 5,000 people, those who left included; nothing was changed.',
    },
    'medium-in-use': {
      title: 'It is shown somewhere',
      detail:
        'Something shows this medium: a draft, an edition that was published, or a question on a shelf. It stays as long as that does.',
    },
    'group-in-use': {
      title: 'Something is assigned to this group',
      detail:
        'A lesson is assigned to this group. Take it back or give it to others, then remove the group.',
    },
    'weak-password': {
      title: 'Too easy to guess',
      detail:
        'This password is too easy to guess. Take three or four words that nobody would expect.',
    },
    'not-open': { title: 'Not open', detail: 'This cannot be begun now.' },
    'no-attempts-left': {
      title: 'No attempts left',
      detail: 'No attempt is left for this. What you did is kept, and you can look at it again.',
    },
    'mark-changed': {
      title: 'Marked in between',
      detail:
        'Somebody else has marked this answer in the meantime; nothing of theirs was changed.',
    },
    'read-only': {
      title: 'Only reading for now',
      detail:
        'The server stores nothing new for now, because its disk is nearly full or it is being looked after. What you did is kept on this device and taken in later.',
    },
    'database-away': {
      title: 'Database away',
      detail: 'The database does not answer. Nothing was lost; try again in a moment.',
    },
    internal: {
      title: 'A fault of ours',
      detail: 'Something failed on the server. What was already kept is safe.',
    },
  },
  /** Why, where it is known more closely than by the type. */
  reasons: {
    // Lessons and questions
    noDesignersFor: 'No designer has an account with {addresses}. Nobody was given a copy.',
    collectionFull: 'No more than {most} have room here.',
    questionShelfFull: 'No more than {most} questions are kept. Let some go first.',
    // Coming in
    tooManyGuests:
      'Too many guests came from this address just now. Wait a few minutes, then try again.',
    notTheOldPassword: 'This is not the password so far.',
    cardGone: 'This card is not good any more. Ask your teacher for a new one.',
    noClassHere:
      'No class can be joined with this code. It may have run out; ask your teacher for a new one.',
    // Media
    tooMuchUnderWay:
      'Too much is being sent already and was never finished. Let some of it finish, then try again.',
    ownRoomFull:
      'Your media take all the room that you may have. Remove some that you do not use, or ask your keeper for more.',
    stillPrepared: 'It is still being prepared. Wait until that is over, then remove it.',
    // Classes
    noOpenCards: 'None of these people has a card that was not used yet. Make new cards for them.',
    groupsFull: 'A class holds up to {most} groups; nothing was changed.',
    nameIsTheirs: 'This account was not made for this class, so its name is its owner’s to change.',
    groupNameThere: 'Another group has this name already.',
    lastTeacher: 'A class needs a teacher. Add another first.',
    dueBeforeOpens: 'It would be due before it opens; nothing was changed.',
    closesBeforeOpens: 'It would close before it opens; nothing was changed.',
    closesBeforeDue: 'It would close before it is due; nothing was changed.',
    assignmentsFull: 'A class holds up to {most} assignments.',
    publishFirst: 'Publish the lesson first, then assign it.',
    notInTheClass: 'This group or person is not in the class any more.',
    notOpenYet: 'It has not opened yet.',
    hasClosed: 'It has closed.',
    rightIsTold: 'You have been told what is right by now, so no further attempt would count.',
    // Marking
    aboveMax: 'This question brings up to {max} points; nothing was changed.',
    belowZero: 'A mark cannot be below 0; nothing was changed.',
    levelsMissing: 'The rubric is not filled in yet; nothing was changed.',
    levelsDiffer: 'The points do not come of the rubric; nothing was changed.',
    markedBy: '{name} has marked this answer in the meantime; nothing of theirs was changed.',
    commentsFull: 'You keep as many comments as there is room for. Forget one first.',
    // Files with answers
    fileTooLarge: 'The file is larger than is asked for here.',
    filesFull: 'No more than {most} files are kept for one question.',
    // The talk
    teachersOwn: 'What teachers say is theirs to take back.',
    // Accounts
    addressThere: 'Somebody has an account with this email address already.',
    guestsHaveNoRole: 'A guest has no account that could have a role.',
    onlyKeeper: 'This is the only keeper. Make somebody else a keeper first.',
    guestsHaveNoPassword: 'A guest has no password.',
    notOneself: 'Nobody removes their own account.',
    leavesOrphans:
      'Nothing was removed. Left without anybody would be: lessons: {lessons}, classes: {classes}. Media of this person that lessons use: {media}. Share them with somebody else first.',
  },
  /** Why a record is never accepted; see core/records. */
  refusals: {
    unknownPart: 'This part is not in the lesson.',
    unknownQuestion: 'This question is not in the lesson.',
    unknownChoice: 'This way is not in the lesson.',
    unknownThing: 'This is not in this part of the lesson.',
    beyondEnd: 'This time lies beyond the end of the film.',
    noTriesLeft: 'No tries are left for this question; the earlier answers stand.',
    missingFile: 'A file of this answer has not arrived.',
    tooLate: 'The time for this question had run out before this answer was given.',
    closed: 'It had closed before this answer was given.',
    toldAlready:
      'What is right had been told on your page before this answer arrived. It is kept for your teacher and does not count.',
    wrongAnswerKind: 'This is not an answer to this kind of question.',
    tooManyNotes:
      'This lesson holds as many notes of yours as it can. Take some away, then write it again.',
    talkOff: 'The talk about this lesson has ended, so what you wrote was not told.',
    unknownPost: 'What you replied to is not there any more.',
    notForYou: 'This is not yours to say or to change.',
    wrongNumber: 'This number is not one that was asked for.',
    tooManyPosts: 'Nobody may say more than 500 things about one lesson.',
  },
}
