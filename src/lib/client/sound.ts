let context: AudioContext | null = null;

/** A short tone; silent where the browser allows none. Vibrates where the device can. */
export function chime(frequencyHz = 880): void {
	try {
		context ??= new AudioContext();
		const oscillator = context.createOscillator();
		const gain = context.createGain();
		oscillator.frequency.value = frequencyHz;
		gain.gain.setValueAtTime(0.2, context.currentTime);
		gain.gain.exponentialRampToValueAtTime(0.001, context.currentTime + 0.5);
		oscillator.connect(gain).connect(context.destination);
		oscillator.start();
		oscillator.stop(context.currentTime + 0.5);
		// A page that nobody has touched yet since it was loaded may not, and is complained of when it tries.
		if (navigator.userActivation?.hasBeenActive) navigator.vibrate?.(200);
	} catch {
		// No sound is no fault: the screen says the same.
	}
}
