// Apart from the schemas, so that code without them, such as the learner's page, does not carry their library.

/** Makes the compiler list every place that a new member of a union must visit. */
export function assertNever(value: never): never {
  throw new Error(`Unexpected value: ${JSON.stringify(value)}`)
}
