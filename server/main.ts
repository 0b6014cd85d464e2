// The server process: reads its settings, opens, listens, and closes cleanly when asked to.
//   main.ts --migrate   brings its database to the schema of this version first
import { bringUpToDate } from './database/bringUpToDate.ts'
import { mountPages } from './routes/pages.ts'
import { openServer } from './app.ts'
import { readSettings } from './settings.ts'

const settings = readSettings(process.env)
const development = process.argv.includes('--dev')
if (process.argv.includes('--migrate'))
  await bringUpToDate(settings).catch((error: unknown) => {
    console.error('The database could not be brought up to date; nothing of it was changed.', error)
    process.exit(1)
  })
const pages = development ? (await import('./dev.ts')).mountDevelopmentPages : mountPages
const running = await openServer(settings, pages, { development })

running.server.on('error', (error: NodeJS.ErrnoException) => {
  const sentence =
    error.code === 'EADDRINUSE'
      ? `Port ${settings.port} is taken. Set FERNBRAKE_PORT to another one.`
      : `The server could not listen: ${error.message}`
  console.error(sentence)
  process.exit(1)
})
running.server.listen(settings.port, settings.host, () => {
  // The start command waits for this line.
  console.log(`listening on ${settings.port}`)
})

let closing = false
async function close(): Promise<void> {
  if (closing) return
  closing = true
  // Whatever hangs must not keep the process: everything acknowledged is in the database already.
  setTimeout(() => process.exit(0), 8000).unref()
  await running.close()
  process.exit(0)
}
process.on('SIGINT', () => void close())
process.on('SIGTERM', () => void close())
