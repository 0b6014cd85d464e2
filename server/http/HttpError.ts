// The faults that a route answers with, from one catalogue.
import { problemTypeUri, type Problem, type ProblemType } from '@fernbrake/core/contract'
import type { Issue } from '@fernbrake/core/fields'

const CATALOGUE: Record<ProblemType, { status: number; title: string; detail: string }> = {
  'invalid-input': {
    status: 422,
    title: 'The request does not fit',
    detail: 'Something in the request is missing or not as it should be; nothing was changed.',
  },
  'too-large': {
    status: 413,
    title: 'Too large',
    detail: 'The request is larger than is taken in here; nothing was changed.',
  },
  'not-json': {
    status: 400,
    title: 'Not JSON',
    detail: 'The request could not be read as JSON; nothing was changed.',
  },
  'not-found': {
    status: 404,
    title: 'Not found',
    detail: 'There is nothing here, or it is not yours to see.',
  },
  'not-signed-in': {
    status: 401,
    title: 'Not signed in',
    detail: 'Sign in first; what you were doing is kept on this device.',
  },
  'not-allowed': { status: 403, title: 'Not allowed', detail: 'Your account may not do this.' },
  'wrong-password': {
    status: 401,
    title: 'Not signed in',
    detail: 'This name or address and this password do not belong together.',
  },
  'too-many-tries': {
    status: 429,
    title: 'Too many tries',
    detail: 'Too many tries that did not fit. Wait a few minutes, then try again.',
  },
  'wrong-origin': {
    status: 403,
    title: 'Sent from elsewhere',
    detail: 'The request came from another site and was not carried out.',
  },
  'edit-refused': {
    status: 409,
    title: 'The edit does not fit',
    detail: 'The edit does not fit the lesson as it is now; the lesson is unchanged.',
  },
  'stale-revision': {
    status: 409,
    title: 'Changed in between',
    detail: 'The lesson has changed since. Look at it again, then publish.',
  },
  'not-publishable': {
    status: 409,
    title: 'Cannot be published yet',
    detail: 'Some things must be mended before this lesson can be published.',
  },
  'learners-inside': {
    status: 409,
    title: 'Learners are in the edition before',
    detail: 'Learners have begun the edition before this one. They stay in it; say so to publish.',
  },
  'not-shared': {
    status: 403,
    title: 'Not shared with you',
    detail:
      'This lesson was not shared with you. Ask whoever gave you the link, or sign in as somebody else.',
  },
  'no-such-designer': {
    status: 422,
    title: 'No such account',
    detail: 'No designer has an account with this email address. The keeper can make one.',
  },
  'last-owner': {
    status: 409,
    title: 'The last owner',
    detail: 'A lesson needs an owner. Make somebody else one first.',
  },
  'already-exists': {
    status: 409,
    title: 'Exists already',
    detail: 'Something else already has this id.',
  },
  'not-a-film': {
    status: 422,
    title: 'Not a film',
    detail: 'This file is not a film that can be read.',
  },
  'file-refused': {
    status: 415,
    title: 'Another sort of file',
    detail: 'By its content this is not one of the sorts of file that are asked for here.',
  },
  'no-room': {
    status: 507,
    title: 'No room',
    detail:
      'The server has no room for this file. Nothing was lost; tell your keeper, and try again later.',
  },
  'upload-gone': {
    status: 404,
    title: 'Upload gone',
    detail: 'This upload is not here any more. Begin it again.',
  },
  'class-full': {
    status: 409,
    title: 'The class is full',
    detail: 'A class holds up to 5,000 people, those who left included; nothing was changed.',
  },
  'medium-in-use': {
    status: 409,
    title: 'It is shown somewhere',
    detail:
      'Something shows this medium: a draft, an edition that was published, or a question on a shelf. It stays as long as that does.',
  },
  'group-in-use': {
    status: 409,
    title: 'Something is assigned to this group',
    detail:
      'A lesson is assigned to this group. Take it back or give it to others, then remove the group.',
  },
  'weak-password': {
    status: 422,
    title: 'Too easy to guess',
    detail:
      'This password is too easy to guess. Take three or four words that nobody would expect.',
  },
  'not-open': { status: 409, title: 'Not open', detail: 'This cannot be begun now.' },
  'no-attempts-left': {
    status: 409,
    title: 'No attempts left',
    detail: 'No attempt is left for this. What you did is kept, and you can look at it again.',
  },
  'mark-changed': {
    status: 409,
    title: 'Marked in between',
    detail: 'Somebody else has marked this answer in the meantime; nothing of theirs was changed.',
  },
  'read-only': {
    status: 503,
    title: 'Only reading for now',
    detail:
      'The server stores nothing new for now, because its disk is nearly full or it is being looked after. What you did is kept on this device and taken in later.',
  },
  'database-away': {
    status: 503,
    title: 'Database away',
    detail: 'The database does not answer. Nothing was lost; try again in a moment.',
  },
  internal: {
    status: 500,
    title: 'A fault of ours',
    detail: 'Something failed on the server. What was already kept is safe.',
  },
}

export interface ProblemExtras {
  detail?: string
  issues?: Issue[]
  editId?: string
  cause?: unknown
}

/** A fault with a known type; its answer is made in one place, problemHandler. */
export class HttpError extends Error {
  readonly type: ProblemType
  readonly extras: ProblemExtras

  constructor(type: ProblemType, extras: ProblemExtras = {}) {
    super(extras.detail ?? CATALOGUE[type].detail, { cause: extras.cause })
    this.name = 'HttpError'
    this.type = type
    this.extras = extras
  }

  get status(): number {
    return CATALOGUE[this.type].status
  }

  toProblem(requestId?: string): Problem {
    const { title, detail, status } = CATALOGUE[this.type]
    const { issues, editId } = this.extras
    return {
      type: problemTypeUri(this.type),
      title,
      status,
      detail: this.extras.detail ?? detail,
      ...(issues ? { issues } : {}),
      ...(editId ? { editId } : {}),
      ...(requestId ? { requestId } : {}),
    }
  }
}
