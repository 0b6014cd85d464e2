// What was given to the classes of a teacher: part of several questions to the database.

/** SQL for the ids of the assignments `a` of classes that somebody teaches; `person` is the parameter that holds who. */
export const assignmentsTaughtBy = (person: `$${number}`): string =>
  `SELECT a.id FROM assignments a JOIN class_teachers t ON t.class_id = a.class_id AND t.person_id = ${person}`
