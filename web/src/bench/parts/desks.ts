// What the bench writes a part of each kind on. A new kind is a line here.
import type { Component } from 'vue'
import type { PartKindName } from '@fernbrake/core/lesson'
import QuizDesk from '../quiz/QuizDesk.vue'
import ChronicleDesk from './chronicle/ChronicleDesk.vue'
import DeckDesk from './deck/DeckDesk.vue'
import PageDesk from './page/PageDesk.vue'
import StillDesk from './still/StillDesk.vue'

/**
 * The desk of each kind: a component that takes the `part`, and whether its sheet is `covered` by something of the whole
 * lesson. Null for what plays: that has stage, script and frond (`BenchDesk.vue`).
 */
export const DESKS: Readonly<Record<PartKindName, Component | null>> = {
  film: null,
  quiz: QuizDesk,
  page: PageDesk,
  still: StillDesk,
  deck: DeckDesk,
  chronicle: ChronicleDesk,
}
