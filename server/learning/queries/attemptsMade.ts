// Attempts as those see them who look at many: plain rows, without what only the learner's own page and the judging need.
import type { InferAttributes, WhereOptions } from 'sequelize'
import { AttemptRow } from '../../database/models.ts'

const NOT_READ = ['released', 'placeAt', 'clock', 'clockRev'] as const

export type AttemptMade = Omit<InferAttributes<AttemptRow>, (typeof NOT_READ)[number]>

/** Of each learner in the order in which they were made. */
export const attemptsMade = (where: WhereOptions): Promise<AttemptMade[]> =>
  AttemptRow.findAll({
    where,
    order: [['number', 'ASC']],
    attributes: { exclude: [...NOT_READ] },
    raw: true,
  })
