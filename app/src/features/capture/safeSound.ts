let context: AudioContext | undefined;

/** A short knock and a tremble: the photograph is safe. Silent where the browser allows neither. */
export function soundSafe(): void {
  try {
    navigator.vibrate?.(30);
    context ??= new AudioContext();
    const at = context.currentTime;
    const [tone, volume] = [context.createOscillator(), context.createGain()];
    tone.frequency.setValueAtTime(660, at);
    tone.frequency.exponentialRampToValueAtTime(220, at + 0.07);
    volume.gain.setValueAtTime(0.18, at);
    volume.gain.exponentialRampToValueAtTime(0.001, at + 0.09);
    tone.connect(volume).connect(context.destination);
    tone.start(at);
    tone.stop(at + 0.1);
  } catch {
    // No sound here: the count tells it as well.
  }
}
