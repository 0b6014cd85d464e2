// What the player needs from whoever embeds it. The player itself knows no server, no storage and no address.
import type {
  Attempt,
  Credit,
  RecordsReply,
  RefusedRecord,
  TalkReply,
} from '@fernbrake/core/contract'
import type { LearnerRecord, SayRecord } from '@fernbrake/core/records'
import type { Lesson } from '@fernbrake/core/lesson'
import type { Judged } from '@fernbrake/core/routes'
import type { Post } from '@fernbrake/core/talk'

/** A film as the player needs it. */
export interface PlayableMedia {
  id: string
  durationMs: number
  width: number
  height: number
  address: string
  poster: string
  /** Where its host plays it in a frame; it has no address of its own then. */
  player?: string | null
  /** An element that loads the film already, if there is one; it is used instead of a new one. */
  element?: HTMLVideoElement | null
}

export interface OpenedLesson {
  lesson: Lesson
  media: PlayableMedia[]
  /** From whom what it shows is. */
  credits?: readonly Credit[]
  /** Where the media that lie on the film are, by medium: pictures, sounds, second films. */
  staged?: Readonly<Record<string, string>>
  progress: Attempt['progress']
  /** Which edition this is, and which is the newest; none in a preview. */
  edition?: { own: number; newest: number }
  /** Whether it is talked about, in the class that was given it or among those who came by the link. */
  talks?: boolean
  /** The rules of the class that was given it; none where it was opened by a link. */
  assignment?: Attempt['assignment']
  learnerName: string
  /** Whose sitting this is, where others could hear of it. */
  learnerId?: string
  /** What the mixing of options follows from: the same for one learner, whenever they come back. */
  seed: string
  /** False where nothing may stay behind on the device, as in a preview. */
  keepsDrafts?: boolean
}

/** How all have answered a poll or a scale so far: how many, and how many by option or step. */
export interface Tally {
  answered: number
  counts: Readonly<Record<string, number>>
}

/** A file that goes with an answer, on its way. */
export interface HandedFileState {
  id: string
  name: string
  bytes: number
  sentBytes: number
  /** `waiting` for the connection; `refused` can never be taken, `message` says why. */
  state: 'waiting' | 'sending' | 'there' | 'refused'
  message?: string
}

/** Files that learners hand in. */
export interface HandedFiles {
  /** Takes a file in charge: from here on it is the host's task that it is not lost. */
  put(questionId: string, name: string, content: Blob): Promise<HandedFileState>
  /** How a file stands; null for one that lies with the host since an earlier sitting. */
  state(id: string): HandedFileState | null
  /** Hears of every change; answers with how to stop. */
  onState(listener: (file: HandedFileState) => void): () => void
  /** Forgets a file that is not handed in after all. */
  drop(id: string): Promise<void>
  /** Where it can be seen or heard. */
  address(id: string): string
}

/** What the class says about the lesson, or whoever came by its link. What somebody says themselves is a record like any other. */
export interface HostTalk {
  /** What came after a change; rejects where that cannot be known now. */
  read(after: number): Promise<TalkReply>
  /** What was said on this device and is not acknowledged yet. */
  unsent(): Promise<SayRecord[]>
  hide(postId: string, isHidden: boolean): Promise<Post>
}

/** How sending stands; `waiting` records are kept on this device until they are acknowledged. */
export interface HostState {
  waiting: number
  /** So many of these are held by this page alone, because the device has no room for them. */
  unkept: number
  /** `readOnly`: the server is there, and takes nothing in for now. */
  connection: 'online' | 'offline' | 'signedOut' | 'readOnly'
  refused: RefusedRecord[]
}

export interface Host {
  open(): Promise<OpenedLesson>
  /** Takes a record in charge: from here on it is the host's task that it is not lost. */
  record(record: LearnerRecord): void
  /** A short random id for a new record. */
  newId(): string
  state(): HostState
  /** Hears of every change of `state`; answers with how to stop. */
  onState(listener: (state: HostState) => void): () => void
  /**
   * Hears that the page goes away, in time to record what is under way, though not to wait for anything; it may come
   * back, and hear it again. Answers with how to stop.
   */
  onLeave(listener: () => void): () => void
  /** Hears what the server tells of questions that it marks itself; answers with how to stop. */
  onTold(listener: (told: NonNullable<RecordsReply['told']>) => void): () => void
  /** What the server says of the ways at a fork or at the end of a part; rejects where that cannot be known now. */
  ways(placeId: string): Promise<Judged>
  /** How all have answered; rejects where that cannot be known now. */
  tally(questionId: string): Promise<Tally>
  readonly files: HandedFiles
  /** Null where nobody else could hear. */
  readonly talk: HostTalk | null
  /** Sends what waits, as far as that is possible now. */
  flush(): Promise<void>
  destroy(): void
}

/** Why a lesson could not be opened, in words that the interface has sentences for. */
export class HostError extends Error {
  readonly reason: 'notFound' | 'notSignedIn' | 'notShared' | 'unreachable' | 'failed'

  constructor(reason: HostError['reason'], cause?: unknown) {
    super(reason, { cause })
    this.name = 'HostError'
    this.reason = reason
  }
}
