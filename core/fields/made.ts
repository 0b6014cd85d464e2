// Schemas that stand beside code which travels to phones.

/**
 * What `make` makes. A bundler may leave out a call that is marked as pure and whose outcome nobody uses, which it cannot with
 * the calls inside it. So a schema may stand in one file with code that a learner's phone gets, and stay behind itself; the
 * mark is a comment right before this call: @__PURE__.
 */
export const made = <T>(make: () => T): T => make()
