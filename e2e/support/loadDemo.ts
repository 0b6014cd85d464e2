// Loads the demo of a run ahead of the tests that begin with it.
import { withDemo } from './server.ts'

await withDemo(process.env.FERNBRAKE_TEST_DATABASE_URL!)
