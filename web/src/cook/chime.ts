let context: AudioContext | null = null;

/** Must first be called from a tap, or the browser keeps it silent. */
export function readyChime() {
  context ??= new AudioContext();
  void context.resume();
}

/** Three soft strokes. */
export function chime() {
  if (!context) return;
  const start = context.currentTime;
  [660, 880, 1320].forEach((hertz, i) => {
    if (!context) return;
    const tone = context.createOscillator();
    const gain = context.createGain();
    const from = start + i * 0.22;
    tone.frequency.value = hertz;
    gain.gain.setValueAtTime(0, from);
    gain.gain.linearRampToValueAtTime(0.35, from + 0.02);
    gain.gain.exponentialRampToValueAtTime(0.001, from + 0.9);
    tone.connect(gain).connect(context.destination);
    tone.start(from);
    tone.stop(from + 1);
  });
}
