import { AddItem, NO_DETAILS, type Recipe, type ShelfDetails } from '$lib/contract/shelf';
import { fail, ok, type Result } from '$lib/core/result';
import { dilutedStock, keepsDays, SALT_IDS, weighed, type Content, type Measured } from '$lib/core/standard';
import { addDays, type Instant } from '$lib/core/time';
import { numberIn, typedText, wordIn } from './form.ts';
import { validate } from './validator.ts';

/** A number and how well it is known: half-width of the last digit or of the mark, taken as rectangular. */
function measuredIn(form: FormData, name: string): Measured {
	const half = numberIn(form.get(`${name}.half`)) ?? 0;
	return { value: numberIn(form.get(name)) ?? Number.NaN, u: half / Math.sqrt(3) };
}

function recipeOf(form: FormData): Result<Recipe> {
	const volumeMl = measuredIn(form, 'volumeMl');
	const by = wordIn(form, 'by', ['weighed', 'diluted'], 'weighed');
	if (!by.ok) return by;
	if (by.value === 'diluted') {
		const stockId = typedText(form.get('stockId'));
		return ok({ by: 'diluted', stockId, takenMl: measuredIn(form, 'takenMl'), volumeMl });
	}
	const salt = SALT_IDS.find((s) => s === form.get('salt'));
	if (!salt) return fail('invalid-field', 'salt', { rule: 'missing' });
	return ok({ by: 'weighed', salt, massG: measuredIn(form, 'massG'), volumeMl });
}

/** What a recipe gives; its content is reckoned here, never taken on trust. */
function contentsOf(
	recipe: Recipe,
	stocks: ReadonlyMap<string, ShelfDetails['contents']>
): Result<readonly Content[]> {
	if (recipe.by === 'weighed') return weighed(recipe.salt, recipe.massG, recipe.volumeMl);
	const stock = stocks.get(recipe.stockId);
	return stock ? dilutedStock(stock, recipe.takenMl, recipe.volumeMl) : fail('unknown-item', 'stockId');
}

/** Turns the form of a home-made standard into a thing on the shelf, with its recipe and how long it keeps. */
export function madeStandardOfForm(
	form: FormData,
	waterId: string,
	stocks: ReadonlyMap<string, ShelfDetails['contents']>,
	now: Instant
): Result<AddItem> {
	const recipe = recipeOf(form);
	if (!recipe.ok) return recipe;
	const contents = contentsOf(recipe.value, stocks);
	if (!contents.ok) return contents;
	return validate(AddItem, {
		id: typedText(form.get('id')),
		waterId,
		kind: 'standard',
		name: typedText(form.get('name')),
		lotCode: '',
		methodCode: null,
		methodVersion: null,
		price: null,
		boughtAt: now,
		expiresAt: addDays(now, keepsDays(contents.value)),
		details: {
			...NO_DETAILS,
			recipe: recipe.value,
			contents: contents.value.map(({ parameter, value, u }) => ({
				parameter,
				value: Number(value.toPrecision(12)),
				u: Number(Math.max(u, 1e-6).toPrecision(6))
			}))
		}
	});
}
