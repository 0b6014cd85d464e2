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

interface Editor {
  view: Component
  /** What its stem is called, where that is more than a question. */
  stem?: string
  /** It is shown at which moment of the film it is asked. */
  atMoment?: true
}

export const EDITORS: Readonly<Record<QuestionKindName, Editor>> = {
  choice: { view: ChoiceEditor },
  trueFalse: { view: TrueFalseEditor, stem: 'ask.statementText' },
  shortText: { view: ShortTextEditor },
  number: { view: NumberEditor },
  gaps: { view: GapsEditor },
  order: { view: LinesEditor },
  match: { view: MatchEditor },
  area: { view: AreaEditor, atMoment: true },
  longText: { view: LongTextEditor },
  upload: { view: UploadEditor },
  recording: { view: RecordingEditor },
  poll: { view: PollEditor },
  scale: { view: ScaleEditor },
  checklist: { view: LinesEditor },
  recap: { view: RecapEditor },
  terms: { view: TermsEditor },
}
