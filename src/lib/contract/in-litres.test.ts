import { describe, expect, it } from 'vitest';
import { intoLitres } from './in-litres';

describe('volumes in the unit of who typed them', () => {
	it('become litres, in forms and in addresses', () => {
		const form = new FormData();
		form.set('details.volumeL', '10');
		form.set('details.volumeL.unit', 'us-gallon');
		form.set('note', 'ten');
		intoLitres(form);
		expect([...form]).toEqual([
			['details.volumeL', '37.85411784'],
			['note', 'ten']
		]);
		const asked = new URLSearchParams('litres=0,5&litres.unit=us-gallon&count=3');
		intoLitres(asked);
		expect(asked.toString()).toBe('litres=1.89270589&count=3'.replace('1.89270589', '1.892705892'));
	});
	it('stay what they are where they are none, and where no unit says otherwise', () => {
		const asked = new URLSearchParams('litres=lots&litres.unit=us-gallon&other=5&full.A=10&unit.A=ml');
		intoLitres(asked);
		expect(asked.toString()).toBe('litres=lots&other=5&full.A=10&unit.A=ml');
		const unknown = new URLSearchParams('litres=5&litres.unit=barrel');
		intoLitres(unknown);
		expect(unknown.get('litres')).toBe('5');
	});
});
