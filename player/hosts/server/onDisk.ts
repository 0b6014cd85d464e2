/** Written before it is said to be kept: by default browsers leave it to the system, and a dead battery takes it along. */
export const ON_DISK = { durability: 'strict' } as const
