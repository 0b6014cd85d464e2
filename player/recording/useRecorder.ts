// Recording what a device gives, kept piece by piece on this device until it lies on the shelf.
import { nanoid } from 'nanoid'
import { computed, onScopeDispose, ref, shallowRef } from 'vue'
import { openRecordingStorage, type KeptRecording } from './keptRecordings.ts'

/** A piece is kept this often, in ms. */
const PIECE_MS = 1000
/** The time and the loudness on screen are renewed this often, in ms. */
const SHOW_MS = 100

/** The first that the browser writes is taken. */
const TYPES = {
  film: ['video/webm;codecs=vp9,opus', 'video/webm;codecs=vp8,opus', 'video/webm', 'video/mp4'],
  sound: ['audio/webm;codecs=opus', 'audio/mp4', 'audio/ogg;codecs=opus'],
}

export interface Recorded {
  id: string
  blob: Blob
  url: string
  lengthMs: number
}

export function useRecorder(takes: KeptRecording['takes'], personId: string) {
  const state = ref<'idle' | 'recording' | 'paused' | 'done'>('idle')
  const lengthMs = ref(0)
  /** 0 to 1, while a device is open. */
  const loudness = ref(0)
  const recorded = shallowRef<Recorded | null>(null)
  const left = ref<KeptRecording[]>([])
  const storage = openRecordingStorage()
  const type = computed(
    () => TYPES[takes].find((one) => globalThis.MediaRecorder?.isTypeSupported(one)) ?? null,
  )
  let recorder: MediaRecorder | null = null
  let recordingId = ''
  let stopShowing = () => undefined as void

  async function lookForLeft(): Promise<void> {
    left.value = await (await storage).list(personId, takes)
  }
  void lookForLeft()

  /** Shows how loud it is, so that nobody records silence unknowing. */
  function listen(stream: MediaStream): void {
    stopShowing()
    const context = stream.getAudioTracks().length > 0 ? new AudioContext() : null
    const analyser = context?.createAnalyser()
    if (context && analyser) context.createMediaStreamSource(stream).connect(analyser)
    const samples = new Uint8Array(analyser?.fftSize ?? 0)
    let before = performance.now()
    const timer = setInterval(() => {
      const now = performance.now()
      if (state.value === 'recording') lengthMs.value += now - before
      before = now
      if (!analyser) return
      analyser.getByteTimeDomainData(samples)
      loudness.value = Math.max(...samples.map((sample) => Math.abs(sample - 128))) / 128
    }, SHOW_MS)
    stopShowing = () => {
      clearInterval(timer)
      void context?.close()
      loudness.value = 0
      stopShowing = () => undefined
    }
  }

  async function begin(stream: MediaStream): Promise<void> {
    if (!type.value) return
    const made = new MediaRecorder(stream, { mimeType: type.value })
    const pieces: Blob[] = []
    const kept = await storage
    const id = (recordingId = nanoid())
    recorder = made
    lengthMs.value = 0
    const about = { id, personId, takes, type: type.value, beganAt: Date.now(), lengthMs: 0 }
    // A full disk must not keep anybody from recording, nor end it: it is in memory too.
    await kept.begin(about).catch(() => undefined)
    made.ondataavailable = ({ data }) => {
      if (data.size === 0) return
      pieces.push(data)
      void kept.add(id, pieces.length, data, lengthMs.value).catch(() => undefined)
    }
    made.onstop = () => {
      if (pieces.length === 0) return void forget(id)
      show({ id, blob: new Blob(pieces, { type: made.mimeType }), lengthMs: lengthMs.value })
    }
    // Somebody may end the sharing of a screen in the browser itself.
    stream.getVideoTracks()[0]?.addEventListener('ended', stop)
    made.start(PIECE_MS)
    state.value = 'recording'
  }

  function show(what: Omit<Recorded, 'url'>): void {
    stopShowing()
    recorded.value = { ...what, url: URL.createObjectURL(what.blob) }
    lengthMs.value = what.lengthMs
    state.value = 'done'
  }

  function pause(): void {
    recorder?.pause()
    state.value = 'paused'
  }
  function goOn(): void {
    recorder?.resume()
    state.value = 'recording'
  }
  function stop(): void {
    if (recorder && recorder.state !== 'inactive') recorder.stop()
  }

  /** Takes up a recording of an earlier sitting. */
  async function takeUp(one: KeptRecording): Promise<void> {
    const blob = await (await storage).whole(one.id)
    if (blob) show({ id: one.id, blob, lengthMs: one.lengthMs })
    else await forget(one.id)
  }

  /** Forgets a recording, because it lies on the shelf or is not wanted. */
  async function forget(id = recorded.value?.id ?? recordingId): Promise<void> {
    if (recorded.value?.id === id) {
      URL.revokeObjectURL(recorded.value.url)
      recorded.value = null
    }
    if (recorded.value === null) {
      state.value = 'idle'
      lengthMs.value = 0
    }
    await (await storage).drop(id)
    await lookForLeft()
  }

  onScopeDispose(() => {
    stop()
    stopShowing()
    if (recorded.value) URL.revokeObjectURL(recorded.value.url)
  })
  return {
    state,
    lengthMs,
    loudness,
    recorded,
    left,
    type,
    listen,
    begin,
    pause,
    goOn,
    stop,
    takeUp,
    forget,
  }
}
