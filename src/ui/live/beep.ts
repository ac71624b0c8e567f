import { settingsNow } from '../settings/settings';

let context: AudioContext | null = null;

/** A short tone, so that eyes can stay on the bench; none where sound is switched off. @param afterSeconds how long from now it begins */
export function beep(hertz: number, seconds = 0.09, afterSeconds = 0): void {
  if (!settingsNow().sound) return;
  try {
    context ??= new AudioContext();
    const [tone, loudness] = [context.createOscillator(), context.createGain()];
    const now = context.currentTime + afterSeconds;
    tone.frequency.value = hertz;
    loudness.gain.setValueAtTime(0.12, now);
    loudness.gain.exponentialRampToValueAtTime(0.001, now + seconds);
    tone.connect(loudness).connect(context.destination);
    tone.start(now);
    tone.stop(now + seconds);
  } catch {
    // No sound on this machine: the mark on the screen is there all the same.
  }
}

/** Two tones, the second higher: taken. */
export function rising(): void {
  beep(520);
  beep(780, 0.12, 0.1);
}
