import type { Method } from '$lib/core/method';
import type { Fault, Result } from '$lib/core/result';
import type { Clock } from '$lib/core/time';
import type { Device, PhotometerSession, ProbeSession } from '$lib/device/port';
import { simulatedPhotometer, type Mishap } from '$lib/device/simulated-photometer';
import { simulatedProbe } from '$lib/device/simulated-probe';

export type DeviceKind = 'photometer' | 'probe';

/** The device that a method is read with, by its equipment; null where the eye reads it. */
export function deviceOf(method: Method): DeviceKind | null {
	if (method.kind !== 'display') return null;
	if (method.equipment.includes('photometer')) return 'photometer';
	return method.equipment.some((e) => e.endsWith('probe')) ? 'probe' : null;
}

/** What a stand-in needs to know of the sample that a real device would measure. */
export interface Standing {
	readonly clock: Clock;
	readonly seed: number;
	/** In the display's unit. */
	readonly holds: () => number;
	readonly temperatureC: () => number;
}

/** The device beside the bench: connected once, used at the steps that need it. */
export class DeviceDesk {
	readonly kind: DeviceKind;
	readonly name: string;
	readonly simulated: boolean;
	connected = $state(false);
	zeroed = $state(false);
	fault = $state.raw<Fault | null>(null);
	/** What a stand-in is to do wrong. */
	mishap = $state<Mishap>('none');
	#device: Device<PhotometerSession> | Device<ProbeSession>;
	#session: PhotometerSession | ProbeSession | null = null;

	constructor(kind: DeviceKind, method: Extract<Method, { kind: 'display' }>, standing: Standing) {
		const { resolution, range, accuracy } = method;
		const common = { ...standing, resolution, mishap: () => this.mishap };
		this.kind = kind;
		this.#device =
			kind === 'photometer'
				? simulatedPhotometer({
						...common,
						most: range.high,
						scatter: Math.max(accuracy.relative, accuracy.absolute / range.high) / 3
					})
				: simulatedProbe({
						...common,
						holds: () => ({ value: standing.holds(), temperatureC: standing.temperatureC() }),
						startsAt: standing.holds() * 0.9
					});
		this.name = this.#device.name;
		this.simulated = this.#device.simulated;
	}

	/** Seconds until the lamp is warm. Asked for with every tick of the bench. */
	warmUpLeftS(): number {
		return this.#session && 'blank' in this.#session ? this.#session.warmUpLeftS() : 0;
	}
	async connect(): Promise<void> {
		const made: Result<PhotometerSession | ProbeSession> = await this.#device.connect();
		this.zeroed = false;
		this.#take(made);
		if (made.ok) this.#session = made.value;
		this.connected = made.ok;
	}
	async setZero(): Promise<void> {
		if (!this.#session || !('blank' in this.#session)) return;
		this.zeroed = this.#take(await this.#session.blank());
	}
	/** @returns what it shows; null where it could not be read, for which `fault` has the words */
	async read(): Promise<{ shown: number; temperatureC: number | null; settled: boolean } | null> {
		if (!this.#session) return null;
		if ('blank' in this.#session) {
			const read = await this.#session.read();
			if (!this.#take(read) || !read.ok) return null;
			return { shown: read.value, temperatureC: null, settled: true };
		}
		const read = await this.#session.read();
		return this.#take(read) && read.ok ? read.value : null;
	}
	close(): void {
		this.#session?.close();
	}
	#take(result: Result<unknown>): boolean {
		this.fault = result.ok ? null : result.fault;
		// What is lost has to be connected, and set to zero, again.
		if (!result.ok && result.fault.code === 'device-lost') {
			this.connected = false;
			this.zeroed = false;
		}
		return result.ok;
	}
}
