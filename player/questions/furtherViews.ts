// The views of all kinds but the plainest; fetched as one.
import type { Component } from 'vue'
import type { QuestionKindName } from '@fernbrake/core/questions'
import further from '../locales/enFurther.ts'
import AreaView from './AreaView.vue'
import ChecklistView from './ChecklistView.vue'
import GapsView from './GapsView.vue'
import LongTextView from './LongTextView.vue'
import MatchView from './MatchView.vue'
import OrderView from './OrderView.vue'
import PollView from './PollView.vue'
import RecapView from './RecapView.vue'
import RecordingView from './RecordingView.vue'
import ScaleView from './ScaleView.vue'
import TermsView from './TermsView.vue'
import UploadView from './UploadView.vue'
import WordView from './WordView.vue'

export const FURTHER_VIEWS: Partial<Record<QuestionKindName, Component>> = {
  shortText: WordView,
  number: WordView,
  gaps: GapsView,
  order: OrderView,
  match: MatchView,
  area: AreaView,
  longText: LongTextView,
  upload: UploadView,
  recording: RecordingView,
  poll: PollView,
  scale: ScaleView,
  checklist: ChecklistView,
  recap: RecapView,
  terms: TermsView,
}

/** Their texts. */
export const FURTHER_MESSAGES = further
