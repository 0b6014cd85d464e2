// The talk about a lesson once it is open. Fetched only where there is one, so that no other learner waits for it.
import { computed, ref, watch, type Ref } from 'vue'
import type { Saying } from '@fernbrake/core/records'
import type { Post } from '@fernbrake/core/talk'
import type { Host, HostState, HostTalk, OpenedLesson } from '../hosts/Host.ts'
import { addMessages } from '../i18n.ts'
import { talkMessages } from '../locales/talk.ts'
import { keepHere, readKept } from '../session/onDevice.ts'
import type { ClassTalk, Surroundings } from './classTalk.ts'
import PartTalk from './PartTalk.vue'
import TalkPanel from './TalkPanel.vue'
import { useTalk, type Talk } from './useTalk.ts'

const VIEWS = { beside: TalkPanel, folded: PartTalk }

/** Call within a scope that ends with the player. */
export function openTalk(
  host: Host,
  on: HostTalk,
  hostState: Readonly<Ref<HostState>>,
  opened: OpenedLesson,
  around: Surroundings,
): ClassTalk {
  /** Which post each record was about that was sent from here. */
  const sent = new Map<string, string>()

  function record(saying: Saying): void {
    const id = host.newId()
    sent.set(id, saying.postId)
    host.record({ kind: 'say', id, ...saying })
    void host.flush()
  }
  const me = { id: opened.learnerId ?? '', name: opened.learnerName, teaches: false }
  const say = (saying: Saying) => Promise.resolve(record(saying)).then(() => null)
  const talk = useTalk({ ...on, newId: () => host.newId(), say, unsent: () => on.unsent() }, me)
  void on.unsent().then((records) => {
    for (const { kind: _, id, ...saying } of records) {
      sent.set(id, saying.postId)
      talk.show(saying)
    }
  })
  watch(
    () => hostState.value.refused,
    (refused) => {
      for (const { id, message } of refused) if (sent.has(id)) talk.refuse(sent.get(id)!, message)
    },
  )
  // What was sent is read back soon, so that it does not look as if it waited.
  watch(
    () => hostState.value.waiting,
    (waiting) => waiting === 0 && talk.onItsWay.value.size > 0 && void talk.refresh(),
  )
  void talk.refresh()
  const among = opened.assignment ? 'class' : 'link'
  const seen = seenHere(talk, opened.seed)
  return { talk, among, ...seen, ...around, views: VIEWS, draftKey: keyOf(opened) }
}

const keyOf = ({ seed, keepsDrafts = true }: OpenedLesson) =>
  keepsDrafts ? `fernbrake-talk ${seed}` : null

/** What was seen is remembered on this device. */
function seenHere(talk: Talk, seed: string): Pick<ClassTalk, 'unseen' | 'look'> {
  const key = `fernbrake-talk-seen ${seed}`
  const kept = readKept(key)
  const seenUpTo = ref(typeof kept === 'number' ? kept : 0)
  const looking = ref(0)
  const newest = computed(() => Math.max(0, ...talk.posts.value.map(({ change }) => change)))
  watch([looking, newest], () => {
    if (looking.value === 0 || newest.value <= seenUpTo.value) return
    seenUpTo.value = newest.value
    keepHere(key, newest.value)
  })
  const isNew = ({ isMine, change, words, number }: Post) =>
    !isMine && change > seenUpTo.value && (words !== '' || number !== null)
  return {
    unseen: computed(() => talk.posts.value.filter(isNew).length),
    look() {
      looking.value += 1
      const stop = talk.watch()
      return () => {
        looking.value -= 1
        stop()
      }
    },
  }
}

/** Brings the texts along. */
export const addTexts = (): void => addMessages(talkMessages.en.player)
