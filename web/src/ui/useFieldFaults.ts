// An error stands where its field is: which field of a form a problem is about, and the focus goes there.
import { computed, nextTick, watch, type Ref } from 'vue'
import { OWN_PROBLEMS } from '@fernbrake/core/contract'
import { ApiError } from '../api/client.ts'

export interface FormField {
  /** The id of its input. */
  id: string
  /** Types and reasons of problems that are about it, besides whatever names it by its path. */
  about?: readonly string[]
}

/** `fields` by the names that the request gives them. */
export function useFieldFaults<Name extends string>(
  fault: Readonly<Ref<unknown>>,
  fields: Readonly<Record<Name, FormField>>,
) {
  const names = Object.keys(fields) as Name[]

  /** The field that the fault is about; null where it is about none, or about all of the form. */
  const field = computed<Name | null>(() => {
    if (!(fault.value instanceof ApiError) || !fault.value.problem) return null
    const { type, reason, issues } = fault.value.problem
    const said = [type.slice(OWN_PROBLEMS.length), reason]
    const paths = (issues ?? []).flatMap(({ path }) => path)
    return (
      names.find((name) => fields[name].about?.some((one) => said.includes(one))) ??
      names.find((name) => paths.includes(name)) ??
      null
    )
  })
  watch(field, async (name) => {
    if (name === null) return
    await nextTick()
    document.getElementById(fields[name].id)?.focus()
  })

  /** What is wrong with this field; null where nothing is. */
  const at = (name: Name): string | null =>
    field.value === name ? (fault.value as ApiError).sentence : null
  /** To be bound to its input. */
  const marks = (name: Name) =>
    field.value === name
      ? { 'aria-invalid': true, 'aria-describedby': `${fields[name].id}-fault` }
      : {}
  /** The fault, where it belongs to no field. */
  const elsewhere = computed(() => (field.value === null ? fault.value : null))
  return { at, marks, elsewhere }
}
