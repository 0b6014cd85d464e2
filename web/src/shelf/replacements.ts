// What was put in another's place since this page was opened, so that it can be taken back, whatever was looked at meanwhile.
import { shallowReactive } from 'vue'
import type { Contract, ReplyOf } from '@fernbrake/core/contract'

export interface Replacement {
  by: string
  done: ReplyOf<Contract['replaceMedia']>['done']
}

/** The last of each medium that was replaced. */
export const replacements = shallowReactive(new Map<string, Replacement>())
