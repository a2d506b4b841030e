import { BeginAccount } from '$lib/contract/account';
import { fail, type Result } from '$lib/core/result';
import { typedText } from '$lib/server/validation/form';
import { validate } from '$lib/server/validation/validator';
import { secretIn } from './secrets';

/** Who somebody says that they are, in a form that makes an account. */
export function accountOfForm(form: FormData): Result<BeginAccount> {
	const email = typedText(form.get('email'));
	const password = secretIn(form, 'password');
	const displayName = typedText(form.get('displayName')).replace(/\s+/g, ' ');
	if (displayName.includes('@')) return fail('invalid-field', 'displayName', { rule: 'no-address' });
	if (email !== '' && !email.includes('@')) return fail('invalid-field', 'email', { rule: 'address' });
	return validate(BeginAccount, { displayName, email: email === '' ? null : email, password });
}
