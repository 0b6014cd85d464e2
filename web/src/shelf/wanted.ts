// What is to be fetched onto the shelf.
import type { BodyOf, Contract } from '@fernbrake/core/contract'

/** From where, as what, and what is known of it. */
export type Wanted = Omit<BodyOf<Contract['fetchMedia']>, 'id'>
