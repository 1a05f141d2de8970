/** Path of the page that asks for the passphrase. */
export const signInPath = '/sign-in';

interface Shown {
  /** Page to open afterwards: an address of this server. */
  readonly next: string;
  /** Reason why it is asked again; null the first time. */
  readonly message: string | null;
  /** Whether what is sent can be read by nobody else on the network. */
  readonly isPrivate: boolean;
  /** Path of the application on its host, with a slash at both ends. */
  readonly basePath: string;
}

/** The one page that is served without a session. It contains everything that it needs, and no script. */
export const signInPage = ({ next, message, isPrivate, basePath }: Shown): string => `<!doctype html>
<html lang="en">
<head>
<meta charset="utf-8">
<meta name="viewport" content="width=device-width, initial-scale=1">
<meta name="color-scheme" content="light dark">
<title>Sign in – Usual Drag</title>
<style>
:root { color-scheme: light dark; --ground: #f6f1e7; --sheet: #fffdf8; --line: #b3a78e; --ink: #22303c; --soft: #59626a; --bar: #22303c; --onbar: #f6f1e7; --slip: #7d2a72; --limit: #f3e7cd; }
@media (prefers-color-scheme: dark) { :root { --ground: #171c21; --sheet: #1e242a; --line: #5d6873; --ink: #ece5d8; --soft: #aab0b3; --bar: #ece5d8; --onbar: #171c21; --slip: #e6a5dc; --limit: #3d3320; } }
* { box-sizing: border-box; }
body { margin: 0; min-height: 100vh; display: grid; place-items: center; padding: 1rem; background: var(--ground); color: var(--ink); font: 17px/1.45 ui-sans-serif, system-ui, sans-serif; }
main { width: 100%; max-width: 25rem; }
h1 { font-size: 26px; margin: 0 0 1.2rem; }
label { display: block; margin-bottom: .35rem; }
input, button { width: 100%; min-height: 3.2rem; border-radius: .75rem; font: inherit; padding: 0 1rem; }
input { border: 2px solid var(--line); background: var(--sheet); color: var(--ink); font-size: 20px; }
button { margin-top: .8rem; border: 0; background: var(--bar); color: var(--onbar); font-weight: 700; }
:focus-visible { outline: 3px solid #b8690b; outline-offset: 2px; }
.slip { color: var(--slip); font-weight: 700; margin: 0 0 .8rem; }
.limit { margin-top: 1.6rem; padding: .7rem .9rem; border-radius: .75rem; background: var(--limit); font-size: 15px; }
.soft { color: var(--soft); font-size: 15px; }
</style>
</head>
<body>
<main>
<h1>Usual Drag</h1>
${message === null ? '' : `<p class="slip" role="alert" id="slip">${inText(message)}</p>`}
<form method="post" action="${inText(basePath + signInPath.slice(1))}">
<input type="hidden" name="next" value="${inText(next)}">
<label for="passphrase">Passphrase of this workshop</label>
<input id="passphrase" name="passphrase" type="password" autocomplete="current-password" autocapitalize="none" required autofocus${message === null ? '' : ' aria-describedby="slip"'}>
<button type="submit">Sign in</button>
</form>
<p class="soft">Enter it once on each device. The person who started the server knows it.</p>
${isPrivate ? '' : '<p class="limit" role="note"><b>This connection is not encrypted.</b> Others on this network can read it, including the passphrase. Start the server with a certificate (TLS_CERT and TLS_KEY) to encrypt it.</p>'}
</main>
</body>
</html>
`;

const inText = (text: string): string => text.replace(/[&<>"']/g, (sign) => `&#${sign.charCodeAt(0)};`);
