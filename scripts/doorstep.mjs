// What a phone is shown that came without https: the authority of the house, how to trust it, and the way in.

const TYPES = { '/authority.crt': 'application/x-x509-ca-cert' };

const page = ({ host, port, fingerprint }) => `<!doctype html>
<html lang="en"><head><meta charset="utf-8"><meta name="viewport" content="width=device-width, initial-scale=1">
<title>Tevrik in this house</title>
<style>
:root { color-scheme: light dark; font: 17px/1.5 system-ui, sans-serif }
body { margin: 0; padding: 1.5rem 1.25rem 4rem; max-width: 34rem }
h1 { font-size: 1.7rem; line-height: 1.2; margin: 1.2rem 0 .4rem }
ol { padding: 0; list-style: none; counter-reset: step }
li { counter-increment: step; border-top: 1px solid #8888; padding: 1rem 0 1rem 2.6rem; position: relative }
li::before { content: counter(step); position: absolute; left: 0; font-size: 1.5rem; font-weight: 700; line-height: 1.3 }
a.press { display: inline-block; min-height: 3rem; line-height: 3rem; padding: 0 1.2rem; border: 2px solid; border-radius: 4px; font-weight: 650; color: inherit; text-decoration: none }
a.go { background: #4b359c; border-color: #4b359c; color: #fff }
code { word-break: break-all; font-size: .85rem } small { opacity: .8 } [hidden] { display: none }
</style></head><body>
<strong>Tevrik</strong>
<h1>Let this phone trust the tank’s computer</h1>
<p>Once for each phone. Only this house is concerned: the authority was made on your own computer and has never left it.</p>
<ol>
<li><p><a class="press" href="/authority.crt" download="tevrik-authority.crt">Take the certificate</a></p>
<small>Compare with what stands in the window where Tevrik was started:<br><code>${fingerprint}</code></small></li>
<li><p>Install it: open what was loaded, or in the settings look for “install a certificate” and choose the kind for an
authority (CA). Some phones install it as a profile first, and then ask for full trust under “About”, “Certificate trust”.</p></li>
<li><p><a class="press go" href="https://${host}:${port}/">Open the bench</a></p>
<p id="yes" hidden>This phone trusts it.</p><p id="no" hidden>Not trusted yet. After the second step, load this page again.</p></li>
</ol>
<p><small>To take it back: remove the certificate in the phone’s settings; on the computer, <code>npm run house:remove</code>.</small></p>
<script>
const look = new Image();
look.onload = () => { document.getElementById('yes').hidden = false };
look.onerror = () => { document.getElementById('no').hidden = false };
look.src = 'https://${host}:${port}/icon.svg?' + Date.now();
</script>
</body></html>`;

/** A name or address as a caller may have typed it, and nothing else. */
const SAFE_HOST = /^[a-z0-9.-]{1,100}$/i;

/**
 * @param {{ port: number, authority: () => string, fingerprint: () => string }} given PEM, and its SHA-256
 * @returns a listener for requests without https
 */
export function doorstep({ port, authority, fingerprint }) {
	return (req, res) => {
		const host = (req.headers.host ?? '').replace(/:\d+$/, '');
		const path = (req.url ?? '/').split('?')[0];
		if (!SAFE_HOST.test(host) || (req.method !== 'GET' && req.method !== 'HEAD')) {
			res.writeHead(400, { 'content-type': 'text/plain' });
			return res.end('Open this address in a browser.\n');
		}
		const common = { 'x-content-type-options': 'nosniff', 'cache-control': 'no-store' };
		if (TYPES[path]) {
			res.writeHead(200, { ...common, 'content-type': TYPES[path] });
			return res.end(authority());
		}
		if (path !== '/') {
			res.writeHead(307, { ...common, location: '/' });
			return res.end();
		}
		res.writeHead(200, { ...common, 'content-type': 'text/html; charset=utf-8', 'x-frame-options': 'DENY' });
		return res.end(page({ host, port, fingerprint: fingerprint() }));
	};
}
