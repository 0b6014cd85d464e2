// Which editor writes which kind of question. A new kind is a line here.
import type { Component } from 'vue'
import type { QuestionKindName } from '@fernbrake/core/questions'
import AreaEditor from './AreaEditor.vue'
import ChoiceEditor from './ChoiceEditor.vue'
import GapsEditor from './GapsEditor.vue'
import LinesEditor from './LinesEditor.vue'
import LongTextEditor from './LongTextEditor.vue'
import MatchEditor from './MatchEditor.vue'
import NumberEditor from './NumberEditor.vue'
import PollEditor from './PollEditor.vue'
import RecapEditor from './RecapEditor.vue'
import RecordingEditor from './RecordingEditor.vue'
import ScaleEditor from './ScaleEditor.vue'
import ShortTextEditor from './ShortTextEditor.vue'
import TermsEditor from './TermsEditor.vue'
import TrueFalseEditor from './TrueFalseEditor.vue'
import UploadEditor from './UploadEditor.vue'

export const EDITORS: Readonly<Record<QuestionKindName, Component>> = {
  choice: ChoiceEditor,
  trueFalse: TrueFalseEditor,
  shortText: ShortTextEditor,
  number: NumberEditor,
  gaps: GapsEditor,
  order: LinesEditor,
  match: MatchEditor,
  area: AreaEditor,
  longText: LongTextEditor,
  upload: UploadEditor,
  recording: RecordingEditor,
  poll: PollEditor,
  scale: ScaleEditor,
  checklist: LinesEditor,
  recap: RecapEditor,
  terms: TermsEditor,
}
