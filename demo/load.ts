// Loads the demo into a database that has its schema and nothing else; the command behind a first `npm start`.
import { readSettings } from '@fernbrake/server'
import { loadDemo } from './index.ts'

await loadDemo(readSettings(process.env))
console.log('The demo is loaded.')
process.exit(0)
