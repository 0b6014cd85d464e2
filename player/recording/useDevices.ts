// Camera, microphone and screen: asking for them, and giving them back.
import { onScopeDispose, ref, shallowRef } from 'vue'

export type Source = 'camera' | 'screen' | 'microphone'
export type DeviceFault = 'denied' | 'missing' | 'busy' | 'unsupported' | 'failed'

const FAULTS: Record<string, DeviceFault> = {
  NotAllowedError: 'denied',
  SecurityError: 'denied',
  NotFoundError: 'missing',
  OverconstrainedError: 'missing',
  NotReadableError: 'busy',
  AbortError: 'busy',
}

const CAMERA = { width: { ideal: 1280 }, height: { ideal: 720 }, frameRate: { ideal: 25 } }

/** Why a device could not be had. */
const faultOf = (error: unknown): DeviceFault =>
  FAULTS[(error as DOMException | null)?.name ?? ''] ?? 'failed'

function ask(source: Source, sound: boolean): Promise<MediaStream> {
  const { mediaDevices } = navigator
  if (source === 'screen') return mediaDevices.getDisplayMedia({ video: true, audio: sound })
  const video = source === 'camera' ? CAMERA : false
  return mediaDevices.getUserMedia({ video, audio: sound || source === 'microphone' })
}

/** A screen with one's own voice over what it sounds itself. */
async function withVoice(screen: MediaStream, undo: (() => void)[]): Promise<MediaStream> {
  const voice = await navigator.mediaDevices.getUserMedia({ audio: true })
  undo.push(() => voice.getTracks().forEach((track) => track.stop()))
  const audio = new AudioContext()
  undo.push(() => void audio.close())
  const mixed = audio.createMediaStreamDestination()
  for (const stream of [screen, voice])
    if (stream.getAudioTracks().length > 0) audio.createMediaStreamSource(stream).connect(mixed)
  return new MediaStream([...screen.getVideoTracks(), ...mixed.stream.getAudioTracks()])
}

export function useDevices() {
  const stream = shallowRef<MediaStream | null>(null)
  const asking = ref(false)
  const fault = ref<DeviceFault | null>(null)
  let undo: (() => void)[] = []

  function close(): void {
    stream.value?.getTracks().forEach((track) => track.stop())
    stream.value = null
    for (const step of undo) step()
    undo = []
  }

  /** Asks for a device; `voice` adds the microphone to a screen. Answers whether it is there. */
  async function open(source: Source, { sound = true, voice = false } = {}): Promise<boolean> {
    close()
    fault.value = null
    // Browsers keep devices from pages that came without encryption.
    if (typeof navigator.mediaDevices?.getUserMedia !== 'function') {
      fault.value = 'unsupported'
      return false
    }
    asking.value = true
    try {
      const got = await ask(source, sound)
      undo.push(() => got.getTracks().forEach((track) => track.stop()))
      stream.value = source === 'screen' && voice ? await withVoice(got, undo) : got
      return true
    } catch (error) {
      close()
      fault.value = faultOf(error)
      return false
    } finally {
      asking.value = false
    }
  }

  onScopeDispose(close)
  return { stream, asking, fault, open, close }
}
