// What can be chosen when a lesson is shared. Apart from the schemas, for lists of choices.

/** What somebody may be on a lesson, the greatest first: each may do what those behind it may. */
export const LESSON_ROLES = ['owner', 'editor', 'commenter', 'viewer'] as const
type Role = (typeof LESSON_ROLES)[number]

/** Who has at least this role. */
export const ROLES_FROM: Record<Role, Role[]> = {
  owner: ['owner'],
  editor: ['owner', 'editor'],
  commenter: ['owner', 'editor', 'commenter'],
  viewer: ['owner', 'editor', 'commenter', 'viewer'],
}

export const isAtLeast = (role: Role, least: Role): boolean => ROLES_FROM[least].includes(role)

/** Who may learn a lesson: whoever works on it, people who are named, anyone with the link, or everyone, on a list. */
export const SEEN_BY = ['me', 'people', 'link', 'everyone'] as const

/** Who may see the page of a collection. */
export const COLLECTION_SEEN_BY = ['me', 'link', 'everyone'] as const
/** More lessons than anybody reads through. */
export const MOST_IN_COLLECTION = 500
