/** Pitch and length of a sound. */
export interface Beep {
  readonly pitch_hz: number;
  readonly length_s: number;
}

/** The alarm of a drive that must stop. */
export const ALARM: Beep = { pitch_hz: 880, length_s: 0.35 };
/** A step of a procedure is over. */
export const STEP_OVER: Beep = { pitch_hz: 660, length_s: 0.2 };

/** Sounds once; a browser that lets no page sound before it was touched stays silent. */
export function beep({ pitch_hz, length_s }: Beep): void {
  const context = new AudioContext();
  const tone = context.createOscillator();
  tone.frequency.value = pitch_hz;
  tone.connect(context.destination);
  tone.start();
  tone.stop(context.currentTime + length_s);
  tone.onended = () => void context.close();
}
