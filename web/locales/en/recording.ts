// English texts of recording.
export default {
  recording: {
    title: {
      film: 'Record a film',
      sound: 'Record your voice',
      picture: 'Take a picture with the camera',
    },
    from: { camera: 'The camera', screen: 'The screen', microphone: 'Switch the microphone on' },
    withVoice: 'With my voice over the screen',
    asking: 'The browser asks whether this page may. Allow it there.',
    seen: 'What the device sees now',
    made: 'What was recorded',
    loudness: 'How loud it is',
    begin: 'Begin recording',
    stop: 'Stop',
    pause: 'Pause',
    goOn: 'Go on',
    use: 'Put it on the shelf',
    again: 'Record it again',
    takePicture: 'Take the picture',
    state: {
      idle: 'Nothing is recorded yet.',
      recording: 'Being recorded',
      paused: 'Paused',
      done: 'Recorded',
    },
    silent: 'Nothing is heard. Is the right microphone switched on?',
    left: 'Recorded {when}, {length} long, and not on the shelf yet. It is kept on this device.',
    takeUp: 'Look at it',
    drop: 'Throw it away',
    notTaken: 'It could not be sent. It is kept on this device; try again.',
    name: { film: 'Recording, {when}', sound: 'Voice, {when}', picture: 'Photograph, {when}' },
    fault: {
      denied:
        'The browser does not let this page use it. Allow it in the browser’s settings for this page, then try again.',
      missing: 'There is no such device here. Connect one, then try again.',
      busy: 'Another program uses the device. Close that, then try again.',
      unsupported:
        'This browser cannot record here. It can where the address begins with https://.',
      failed: 'The device did not answer. Try again.',
    },
  },
}
