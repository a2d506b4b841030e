import { describe, expect, it } from 'vitest';
import { clientAddress, trustedProxies } from './proxies.ts';

const from = (peer: string, said: string | null, proxies: string | undefined) =>
	clientAddress(peer, new Headers(said === null ? {} : { 'x-forwarded-for': said }), trustedProxies(proxies));

describe('where a request came from', () => {
	it('is the other end of its connection, whatever a header says, where no proxy is trusted', () => {
		expect(from('203.0.113.9', '198.51.100.1', undefined)).toBe('203.0.113.9');
		expect(from('127.0.0.1', '198.51.100.1', '')).toBe('127.0.0.1');
	});
	it('is what the trusted proxy added, and nothing that was there before it', () => {
		expect(from('127.0.0.1', '198.51.100.1', '127.0.0.1')).toBe('198.51.100.1');
		expect(from('127.0.0.1', '192.0.2.66, 198.51.100.1', '127.0.0.1')).toBe('198.51.100.1');
		expect(from('203.0.113.9', '198.51.100.1', '127.0.0.1')).toBe('203.0.113.9');
	});
	it('is found behind several of them, by their networks', () => {
		expect(from('::ffff:10.0.0.3', '192.0.2.66, 198.51.100.1, 10.2.3.4', '10.0.0.0/8')).toBe('198.51.100.1');
		expect(from('::1', '2001:db8::7', '::1')).toBe('2001:db8::7');
		expect(from('10.0.0.3', '198.51.100.1:4711', '10.0.0.3')).toBe('198.51.100.1');
		expect(from('::1', '[2001:db8::7]:4711', '::1')).toBe('2001:db8::7');
	});
	it('is the proxy’s own where it says nothing, or nonsense', () => {
		expect(from('127.0.0.1', null, '127.0.0.1')).toBe('127.0.0.1');
		expect(from('127.0.0.1', 'unknown', '127.0.0.1')).toBe('127.0.0.1');
	});
	it('is not asked of a setting that is none', () => {
		for (const text of ['proxy.example', '10.0.0.0/33', '10.0.0.1/x', 'localhost']) {
			expect(() => trustedProxies(text)).toThrow(/TEVRIK_PROXIES/);
		}
	});
});
