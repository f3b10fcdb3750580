/** Tones that say without looking whether something was recorded. */

const KEY = 'mind-spool-sound'
const GOOD_HZ = 880
const BAD_HZ = 220
const GOOD_S = 0.09
const BAD_S = 0.35
const VOLUME = 0.15

let audio: AudioContext | undefined

/** Whether tones are wanted on this device. */
export function soundWanted(): boolean {
  try {
    return localStorage.getItem(KEY) !== 'off'
  } catch {
    return true
  }
}

export function wantSound(on: boolean) {
  try {
    localStorage.setItem(KEY, on ? 'on' : 'off')
  } catch {
    // Only the choice is forgotten.
  }
}

/** A short high tone where it worked, a long low one where it did not. */
export function beep(worked: boolean) {
  if (!soundWanted() || typeof AudioContext === 'undefined') {
    return
  }
  audio ??= new AudioContext()
  const tone = audio.createOscillator()
  const gain = audio.createGain()
  gain.gain.value = VOLUME
  tone.frequency.value = worked ? GOOD_HZ : BAD_HZ
  tone.connect(gain).connect(audio.destination)
  tone.start()
  tone.stop(audio.currentTime + (worked ? GOOD_S : BAD_S))
}
