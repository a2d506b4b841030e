import { redirect } from '@sveltejs/kit';
import QRCode from 'qrcode';
import { Password } from '$lib/contract/account';
import { fail as fault, type Fault, type Result } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { accountsHere, ownAccount } from '../accounts-here';
import { refused } from '../refused';
import { secretIn } from '../secrets';
import type { Actions, PageServerLoad, RequestEvent } from './$types';

export const load = (async ({ locals, url }) => {
	accountsHere(locals);
	if (locals.person?.place) redirect(307, '/');
	const account = await ownAccount(locals);
	const now = locals.services.clock.now();
	if (!account) return { account: null, now, isDemo: locals.isDemo };
	const [passkeys, sessions] = await Promise.all([account.passkeys(), account.sessions()]);
	return {
		account: {
			name: account.name,
			email: account.email,
			hasSecondFactor: account.hasSecondFactor,
			passkeys: passkeys.map((p) => ({ id: p.id, name: p.name ?? '', at: p.createdAt?.getTime() ?? null })),
			sessions: sessions.map((s) => ({
				id: s.id,
				isThis: s.isThis,
				since: s.createdAt.getTime(),
				usedAt: s.updatedAt.getTime(),
				device: s.userAgent ?? '',
				address: s.address ?? ''
			}))
		},
		/** A passkey is bound to a name; an address in numbers is none. */
		takesPasskeys: !/^[\d.]+$|^\[/.test(url.hostname),
		now,
		isDemo: locals.isDemo
	};
}) satisfies PageServerLoad;

async function opened({ locals, request }: RequestEvent) {
	const account = await ownAccount(locals);
	if (!account) redirect(303, '/sign-in?back=/account');
	return { account, form: await request.formData() };
}

const done = (what: string, more: object = {}) => ({ done: what, ...more });
const answered = (form: FormData, outcome: Result<unknown>, what: string) =>
	outcome.ok ? done(what) : refused(form, outcome.fault);

export const actions = {
	password: async (event) => {
		const { account, form } = await opened(event);
		const [password, wanted] = [secretIn(form, 'password'), secretIn(form, 'newPassword')];
		const checked = validate(Password, wanted);
		const wrong: Fault | null = checked.ok ? null : { ...checked.fault, field: 'newPassword' };
		if (wrong) return refused(form, wrong);
		return answered(form, await account.changePassword(password, wanted), 'password');
	},
	begin: async (event) => {
		const { account, form } = await opened(event);
		const begun = await account.beginSecondFactor(secretIn(form, 'password'));
		if (!begun.ok) return refused(form, begun.fault);
		const { uri, spareCodes, cookies } = begun.value;
		event.locals.setCookies(cookies);
		const qr = await QRCode.toDataURL(uri, { errorCorrectionLevel: 'M', margin: 2, scale: 6 });
		const secret = new URL(uri).searchParams.get('secret') ?? '';
		return done('begun', { factor: { qr, secret, spareCodes } });
	},
	confirm: async (event) => {
		const { account, form } = await opened(event);
		const outcome = await account.confirmSecondFactor(secretIn(form, 'code'));
		if (!outcome.ok) return refused(form, outcome.fault);
		event.locals.setCookies(outcome.value);
		return done('confirmed');
	},
	without: async (event) => {
		const { account, form } = await opened(event);
		const outcome = await account.endSecondFactor(secretIn(form, 'password'));
		if (!outcome.ok) return refused(form, outcome.fault);
		event.locals.setCookies(outcome.value);
		return done('without');
	},
	passkey: async (event) => {
		const { account, form } = await opened(event);
		return answered(form, await account.removePasskey(typedText(form.get('passkey'))), 'passkey');
	},
	end: async (event) => {
		const { account, form } = await opened(event);
		const session = typedText(form.get('session'));
		if (session === '') {
			await account.endOtherSessions();
			return done('ended');
		}
		return answered(form, await account.endSession(session), 'ended');
	},
	remove: async (event) => {
		const { account, form } = await opened(event);
		const password = secretIn(form, 'password');
		const outcome =
			form.get('certain') === 'yes'
				? await account.remove(password)
				: fault('invalid-field', 'certain', { rule: 'missing' });
		if (!outcome.ok) return refused(form, outcome.fault);
		event.locals.setCookies(await accountsHere(event.locals).signOut());
		event.setHeaders({ 'clear-site-data': '"cache", "storage"' });
		redirect(303, '/sign-in?gone');
	}
} satisfies Actions;
