/** Two short tones. A browser that allows no sound stays silent. */
export function chime(): void {
  try {
    const audio = new AudioContext();
    for (const [i, hertz] of [660, 880].entries()) {
      const tone = audio.createOscillator();
      const volume = audio.createGain();
      volume.gain.value = 0.15;
      tone.frequency.value = hertz;
      tone.connect(volume).connect(audio.destination);
      tone.start(audio.currentTime + i * 0.25);
      tone.stop(audio.currentTime + i * 0.25 + 0.2);
    }
  } catch {
    // No sound here.
  }
}

/** A notification of the browser, where the user has allowed them. @param tag replaces an earlier one with the same tag */
export function showNotification(title: string, body: string, tag: string): void {
  try {
    if ('Notification' in window && Notification.permission === 'granted')
      new Notification(title, { body, tag });
  } catch {
    // Some phones allow notifications from a service worker only.
  }
}
