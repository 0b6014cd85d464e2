// The made-up language, in a file of its own so that nobody else fetches it.
export { inMadeUp } from '@fernbrake/core/words'
