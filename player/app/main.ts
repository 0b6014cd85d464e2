// The entry of the learner's page. It is small, so that nothing long runs on the thread that brings the first frame;
// the player itself is fetched meanwhile (see `fetchWithPage` in vite.config.ts) and run afterwards.
import '@fontsource-variable/atkinson-hyperlegible-next/index.css'
import '@fontsource-variable/atkinson-hyperlegible-mono/index.css'
import '@fontsource-variable/literata/index.css'
import '../theme.css'
import './early.css'
import { earlyFrame } from './earlyFrame.ts'

/** The browser loads the film on the thread that this script runs on, so the film's first frame is let past, in ms. */
const FRAME_FIRST_MS = 400

await earlyFrame(FRAME_FIRST_MS)
const { start } = await import('./start.ts')
await start()
