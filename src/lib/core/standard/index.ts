/** Standards made at home: weighed, diluted, and how long they keep. */
export { SALTS, SALT_IDS, type Salt, type SaltId } from './salts.ts';
export {
	dilutedStock,
	dilutionSeries,
	keepsDays,
	massFor,
	weighed,
	type Content,
	type Measured,
	type SeriesStep
} from './prepare.ts';
