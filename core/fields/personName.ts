// What people can be called.

const NAME = /^\p{L}[\p{L}\p{M}'’.-]*(\s+[\p{L}\p{M}'’.-]+)*$/u

/** Whether people could be called so: words of letters, in which apostrophes, hyphens and points may stand. */
export const isName = (name: string): boolean => NAME.test(name.trim())

/** Whether it is one word. Some have no other; most have left their last name out, and are asked for it once. */
export const isOneWord = (name: string): boolean => !/\s/.test(name.trim())
