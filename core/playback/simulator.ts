// A slow and obvious version of playing a film, for tests: it goes ms by ms with a list of what is still to be met, instead
// of looking ahead. It shares nothing with the machine but the shapes of its schedule and of its conditions.
import type { Condition } from '../lesson/index.ts'
import type { ForkMoment, Moment, QuestionMoment, Schedule, Way } from './schedule.ts'
import type { PlaybackEvent } from './state.ts'

interface Outcome {
  right: boolean
  final: boolean
  tries?: number
}

export class Simulator {
  t = -1
  played = 0
  led = 0
  where: 'playing' | 'held' | 'reviewing' | 'over' = 'playing'
  at: Moment | null = null
  beside: string[] = []
  behind = new Set<string>()
  outcomes = new Map<string, Outcome>()
  ways = new Map<string, string>()
  lastBack = new Map<string, string>()
  finished = false
  /** What was told to the outside, in order. */
  told: string[] = []
  /** The part that a fork led to; nothing happens after that. */
  left: string | null = null
  private agenda: Moment[] = []
  private returnTo: { t: number; where: 'playing' | 'over' } | null = null
  private reviewEnd = 0
  /** Whether the film must play on once nothing is left to be met: after a release or a way. */
  private mustPlayOn = false
  private jumped = false
  private readonly schedule: Schedule

  constructor(schedule: Schedule) {
    this.schedule = schedule
  }

  event(event: PlaybackEvent): void {
    if (this.left !== null) return
    switch (event.kind) {
      case 'tick':
        return this.playTo(event.mediaMs)
      case 'ended':
        return this.runOut()
      case 'seeked':
        return this.jump(event.toMs)
      case 'answered':
        return this.answer(event.cueId, event.result)
      case 'dismissed':
        return this.dismiss(event.cueId)
      case 'rewatch':
        return this.rewatch(event.cueId)
      case 'chose':
        return this.choose(event.cueId, event.choiceId)
      case 'opened':
        return this.open(event.cueId)
      case 'clock':
      case 'decided':
      case 'known':
      case 'paused':
      case 'played':
        throw new Error(`not simulated: ${event.kind}`)
    }
  }

  private thing(id: string): Moment | undefined {
    return this.schedule.moments.find(({ cueId }) => cueId === id)
  }
  private thingsAt(t: number): Moment[] {
    return this.schedule.moments.filter(({ atMs }) => atMs === t)
  }

  /** One ms after the other, until the time is reached, something holds, or a way led elsewhere. */
  private playTo(ms: number): void {
    if (this.where !== 'playing' && this.where !== 'reviewing') return
    this.jumped = false
    while (this.t < ms && !this.jumped && this.left === null) {
      this.t += 1
      this.played = Math.max(this.played, this.t)
      if (this.where === 'reviewing') {
        if (this.t < this.reviewEnd) continue
        return this.endReview()
      }
      this.agenda = this.thingsAt(this.t)
      this.workOff()
      if (this.where !== 'playing') return
    }
  }

  private runOut(): void {
    if (this.where === 'held' || this.where === 'over') return
    const wasReviewing = this.where === 'reviewing'
    this.jumped = false
    this.playTo(this.schedule.durationMs)
    if (wasReviewing || this.jumped || this.left !== null || this.where !== 'playing') return
    this.end()
  }

  private end(): void {
    this.where = 'over'
    if (!this.finished) this.told.push('finish')
    this.finished = true
  }

  private endReview(): void {
    if (this.returnTo === null) {
      this.t = this.at!.atMs
      this.where = 'held'
      return
    }
    this.t = this.returnTo.t
    this.where = this.returnTo.where
    this.at = null
  }

  /** Meets what is on the list until it is empty or something holds. */
  private workOff(): void {
    for (let next = this.agenda.shift(); next; next = this.agenda.shift()) {
      if (next.kind === 'question') this.meetQuestion(next)
      else if (next.decides) this.decide(next)
      else this.stopAt(next)
      if (this.where !== 'playing' || this.left !== null) return
    }
    if (!this.mustPlayOn) return
    this.mustPlayOn = false
    if (this.t >= this.schedule.durationMs) this.end()
    else this.told.push('play')
  }

  private stopAt(thing: Moment): void {
    this.where = 'held'
    this.at = thing
    this.beside = this.beside.filter((id) => id !== thing.cueId)
  }

  private isUsedUp = (id: string) => this.outcomes.get(id)?.final === true

  private meetQuestion(question: QuestionMoment): void {
    const { cueId, hold, again } = question
    const wasReleased = this.behind.has(cueId) && !again
    if (wasReleased && this.isUsedUp(cueId)) return
    if (!wasReleased && hold !== 'none') return this.stopAt(question)
    if (!this.beside.includes(cueId)) this.beside.push(cueId)
  }

  private holds(condition: Condition | null): boolean {
    if (condition === null) return true
    if (condition.if !== 'answer') throw new Error('not simulated')
    const outcome = this.outcomes.get(condition.cueId ?? '')
    if (!outcome) return false
    return condition.is === 'given' || outcome.right === (condition.is === 'right')
  }

  private readings = (fork: ForkMoment) =>
    fork.ways
      .map(({ condition }) =>
        condition?.if === 'answer' ? JSON.stringify(this.outcomes.get(condition.cueId!)) : '-',
      )
      .join()

  private goesBack = (fork: ForkMoment, { target }: Way) =>
    target.to === 'time' && target.atMs < fork.atMs

  private wayNow(fork: ForkMoment): Way | null {
    const isUsed = (way: Way) =>
      this.goesBack(fork, way) && this.lastBack.get(fork.cueId) === this.readings(fork)
    for (const way of fork.ways) if (this.holds(way.condition) && !isUsed(way)) return way
    const usual = fork.ways.find(({ id }) => id === fork.defaultChoice)
    return usual && !isUsed(usual) ? usual : null
  }

  private decide(fork: ForkMoment): void {
    const way = this.wayNow(fork)
    if (way) this.go(fork, way)
    else this.behind.add(fork.cueId)
  }

  private go(fork: ForkMoment, way: Way): void {
    this.told.push(`took ${way.id}`)
    this.ways.set(fork.cueId, way.id)
    const { target } = way
    if (target.to === 'on' || (target.to === 'time' && target.atMs === fork.atMs)) return
    this.jumped = true
    this.agenda = []
    if (target.to === 'part') {
      this.left = target.partId
      return
    }
    if (target.to === 'ending') {
      this.mustPlayOn = false
      return this.end()
    }
    if (fork.decides && this.goesBack(fork, way)) {
      this.lastBack.set(fork.cueId, this.readings(fork))
      for (let t = target.atMs; t <= fork.atMs; t += 1)
        for (const thing of this.thingsAt(t))
          if (thing.kind === 'question' && !this.isUsedUp(thing.cueId))
            this.behind.delete(thing.cueId)
    }
    this.led = Math.max(this.led, target.atMs)
    this.t = target.atMs
    this.agenda = this.thingsAt(this.t)
    this.mustPlayOn = true
  }

  private choose(id: string, choiceId: string): void {
    if (this.where !== 'held' || this.at?.cueId !== id || this.at.kind !== 'fork') return
    const fork = this.at
    const way = fork.ways.find((one) => one.id === choiceId)
    if (!way) return
    this.release(fork, () => this.go(fork, way))
  }

  private release(thing: Moment, then: () => void): void {
    this.where = 'playing'
    this.at = null
    this.t = thing.atMs
    const here = this.thingsAt(this.t)
    this.agenda = here.slice(here.indexOf(thing) + 1)
    this.mustPlayOn = true
    then()
    if (this.where === 'playing' && this.left === null) this.workOff()
  }

  private answer(id: string, outcome: Outcome): void {
    const thing = this.thing(id)
    if (thing?.kind !== 'question') return
    this.outcomes.set(id, outcome)
    const isHere = this.where === 'held' && this.at === thing
    if (isHere && thing.sendBack && !outcome.right && thing.evidence) this.review(thing, null)
  }

  private rewatch(id: string): void {
    const thing = this.thing(id)
    if (thing?.kind !== 'question' || !thing.evidence || this.where === 'reviewing') return
    if (this.where === 'held') {
      if (this.at === thing) this.review(thing, null)
    } else if (this.beside[0] === id)
      this.review(thing, { t: Math.max(0, this.t), where: this.where })
  }

  private review(thing: QuestionMoment, back: { t: number; where: 'playing' | 'over' } | null) {
    this.where = 'reviewing'
    this.at = thing
    this.returnTo = back
    this.t = thing.evidence!.fromMs
    this.reviewEnd = thing.evidence!.toMs
  }

  private mayPass({ hold, cueId }: QuestionMoment): boolean {
    const outcome = this.outcomes.get(cueId)
    if (hold === 'answered') return outcome !== undefined
    return hold !== 'right' || (outcome !== undefined && (outcome.right || outcome.final))
  }

  private dismiss(id: string): void {
    const thing = this.thing(id)
    if (thing?.kind !== 'question') return
    if (this.beside.includes(id)) {
      this.beside = this.beside.filter((other) => other !== id)
      if (this.mayPass(thing)) this.behind.add(id)
      if (this.where === 'reviewing' && this.at === thing && this.returnTo) this.endReview()
      return
    }
    const isHere = (this.where === 'held' || this.where === 'reviewing') && this.at === thing
    if (!isHere || !this.mayPass(thing)) return
    this.behind.add(id)
    this.release(thing, () => undefined)
  }

  private open(id: string): void {
    if (this.where === 'held' || this.where === 'reviewing') return
    if (this.thing(id)?.kind !== 'question') return
    this.beside = [id, ...this.beside.filter((other) => other !== id)]
  }

  private bound(): [number, number] | null {
    const { seekRule, durationMs } = this.schedule
    if (this.t < 0 || seekRule === 'free') return [0, durationMs]
    if (seekRule === 'backOnly') return [0, Math.max(this.played, this.led, this.t)]
    return this.where === 'over' ? [0, 0] : null
  }

  private isLedRound = (thing: Moment) =>
    this.schedule.moments.some((fork) => {
      if (fork.kind !== 'fork') return false
      const way = fork.ways.find(({ id }) => id === this.ways.get(fork.cueId))
      const target = way?.target
      return target?.to === 'time' && fork.atMs <= thing.atMs && thing.atMs < target.atMs
    })

  /** Whether a jump may not leave this behind. */
  private stands(thing: Moment): boolean {
    if (this.behind.has(thing.cueId) || this.isLedRound(thing)) return false
    if (thing.kind === 'question') return thing.hold === 'answered' || thing.hold === 'right'
    if (!this.ways.has(thing.cueId)) return true
    const way = thing.decides ? this.wayNow(thing) : null
    return way !== null && this.goesBack(thing, way)
  }

  /** Goes ms by ms over what a jump would leave behind, and lands where something stands in the way. */
  private jump(wantedMs: number): void {
    const bound = this.bound()
    if (!bound) return
    const target = Math.min(Math.max(bound[0], wantedMs), bound[1])
    let to = target
    search: for (let t = 0; t <= target; t += 1)
      for (const thing of this.thingsAt(t)) {
        if (!this.stands(thing)) continue
        const way = thing.kind === 'fork' && thing.decides && t < target ? this.wayNow(thing) : 0
        const staysHere =
          way !== 0 &&
          (way === null ||
            way.target.to === 'on' ||
            (way.target.to === 'time' && way.target.atMs === t))
        if (!staysHere) {
          to = t
          break search
        }
        if (way) {
          this.told.push(`took ${way.id}`)
          this.ways.set(thing.cueId, way.id)
        } else this.behind.add(thing.cueId)
      }
    if (this.where === 'held' && this.at!.atMs === to) return
    this.where = 'playing'
    this.at = null
    this.t = to
    this.agenda = this.thingsAt(to)
    this.mustPlayOn = false
    this.workOff()
  }
}
