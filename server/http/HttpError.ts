// The faults that a route answers with: a type, and why, in codes and facts. The sentences stand in core/words.
import {
  problemTypeUri,
  type Problem,
  type ProblemReason,
  type ProblemType,
} from '@fernbrake/core/contract'
import type { Issue } from '@fernbrake/core/fields'
import { sayProblem, type Facts } from '@fernbrake/core/words'

const STATUS: Record<ProblemType, number> = {
  'invalid-input': 422,
  'too-large': 413,
  'not-json': 400,
  'not-found': 404,
  'not-signed-in': 401,
  'not-allowed': 403,
  'wrong-password': 401,
  'too-many-tries': 429,
  'wrong-origin': 403,
  'edit-refused': 409,
  'stale-revision': 409,
  'not-publishable': 409,
  'learners-inside': 409,
  'not-shared': 403,
  'no-such-designer': 422,
  'last-owner': 409,
  'already-exists': 409,
  'not-a-film': 422,
  'file-refused': 415,
  'no-room': 507,
  'upload-gone': 404,
  'class-full': 409,
  'medium-in-use': 409,
  'group-in-use': 409,
  'weak-password': 422,
  'not-open': 409,
  'no-attempts-left': 409,
  'mark-changed': 409,
  'read-only': 503,
  'database-away': 503,
  internal: 500,
}

export interface ProblemExtras {
  /** Why, where it is known more closely than by the type. */
  reason?: ProblemReason
  /** What the sentence of the reason needs. */
  facts?: Facts
  issues?: Issue[]
  editId?: string
  cause?: unknown
}

/** A fault with a known type; its answer is made in one place, problemHandler. */
export class HttpError extends Error {
  readonly type: ProblemType
  readonly extras: ProblemExtras

  constructor(type: ProblemType, extras: ProblemExtras = {}) {
    super(extras.reason ?? type, { cause: extras.cause })
    this.name = 'HttpError'
    this.type = type
    this.extras = extras
  }

  get status(): number {
    return STATUS[this.type]
  }

  /** The problem document, with its sentence in a language of the interface. */
  toProblem(language: string, requestId?: string): Problem {
    const { reason, facts, issues, editId } = this.extras
    const { title, detail } = sayProblem(language, { type: this.type, reason, facts })!
    return {
      type: problemTypeUri(this.type),
      title,
      status: this.status,
      detail,
      ...(reason ? { reason } : {}),
      ...(facts ? { facts } : {}),
      ...(issues ? { issues } : {}),
      ...(editId ? { editId } : {}),
      ...(requestId ? { requestId } : {}),
    }
  }
}
