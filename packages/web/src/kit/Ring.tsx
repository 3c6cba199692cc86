import { useEffect } from 'react';

const RINGS_EVERY_MS = 5000;

/** Half a second of a tone that carries over a burner, and a hand that feels it, again and again while it stands here. */
export function Ring() {
  useEffect(() => {
    const again = setInterval(ring, RINGS_EVERY_MS);
    ring();
    return () => clearInterval(again);
  }, []);
  return null;
}

function ring(): void {
  navigator.vibrate?.(400);
  // A page that nobody has touched yet may make no sound: then it only shows and shakes.
  if (navigator.userActivation?.hasBeenActive !== true) return;
  const audio = new AudioContext();
  const tone = audio.createOscillator();
  tone.frequency.value = 880;
  tone.connect(audio.destination);
  tone.onended = () => void audio.close();
  tone.start();
  tone.stop(audio.currentTime + 0.5);
}
