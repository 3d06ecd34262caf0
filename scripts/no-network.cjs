// Preload (NODE_OPTIONS=--require): node's own fetch may only reach this machine.
// next dev asks the package registry for the newest version and has no switch for it.
const real = globalThis.fetch;
const local = /^(localhost|127(\.\d+){3}|\[::1\]|0\.0\.0\.0)$/;
globalThis.fetch = function fetch(input, init) {
  const text = typeof input === 'string' ? input : (input?.href ?? input?.url ?? '');
  const url = URL.canParse(text) ? new URL(text) : null;
  if (url && /^https?:$/.test(url.protocol) && !local.test(url.hostname)) {
    return Promise.reject(new TypeError('fetch refused: this application stays on this machine'));
  }
  return real.call(this, input, init);
};
