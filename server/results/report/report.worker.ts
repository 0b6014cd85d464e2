// Writes reports in a thread of its own: a workbook of a large class takes seconds.
import { serveThread } from '../../threads/threads.ts'
import type { ReportWish } from '../reportFiles.ts'
import { writeReport } from './write.ts'

serveThread(({ document, format }: ReportWish) => writeReport(document, format))
